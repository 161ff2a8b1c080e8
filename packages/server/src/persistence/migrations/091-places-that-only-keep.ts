import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Whether a place by hand only keeps an account where it stood by range before its number changed: with its number back, the range has it again. */
export class PlacesThatOnlyKeep1790000000091 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE place ADD COLUMN IF NOT EXISTS kept TINYINT UNSIGNED NOT NULL DEFAULT 0');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE place DROP COLUMN IF EXISTS kept');
  }
}
