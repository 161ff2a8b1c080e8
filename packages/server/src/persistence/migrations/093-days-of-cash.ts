import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The days from which and until which an account is cash; without them it always was and is. */
export class DaysOfCash1790000000093 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE account ADD COLUMN IF NOT EXISTS cash_from DATE NULL, ADD COLUMN IF NOT EXISTS cash_until DATE NULL');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE account DROP COLUMN IF EXISTS cash_from, DROP COLUMN IF EXISTS cash_until');
  }
}
