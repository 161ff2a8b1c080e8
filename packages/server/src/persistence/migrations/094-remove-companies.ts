import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A company that was removed is nobody's from that moment on; its rows go behind it. */
export class RemoveCompanies1790000000094 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE company ADD COLUMN IF NOT EXISTS removed_at DATETIME(6) NULL');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE company DROP COLUMN IF EXISTS removed_at');
  }
}
