import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A code or value that is kept for what has it, and not given any more. */
export class RetireListedCode1790000000040 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE listed_code ADD COLUMN IF NOT EXISTS retired TINYINT UNSIGNED NOT NULL DEFAULT 0');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE listed_code DROP COLUMN IF EXISTS retired');
  }
}
