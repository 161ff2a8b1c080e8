import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Languages of captions, the main one first, parted by commas. */
export class AddCompanyLanguages1790000000036 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query("ALTER TABLE company ADD COLUMN IF NOT EXISTS languages VARCHAR(100) COLLATE utf8mb4_bin NOT NULL DEFAULT 'en'");
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE company DROP COLUMN IF EXISTS languages');
  }
}
