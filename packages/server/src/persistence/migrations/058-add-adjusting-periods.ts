import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Periods behind a year's last one, for adjustments; they bear its last day. */
export class AddAdjustingPeriods1790000000058 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE fiscal_period ADD COLUMN IF NOT EXISTS is_adjusting TINYINT UNSIGNED NOT NULL DEFAULT 0');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE fiscal_period DROP COLUMN IF EXISTS is_adjusting');
  }
}
