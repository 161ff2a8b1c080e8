import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who locked a period, and why. */
export class AddPeriodLock1790000000038 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query("ALTER TABLE fiscal_period ADD COLUMN IF NOT EXISTS locked_by VARCHAR(200) NOT NULL DEFAULT ''");
    await queryRunner.query("ALTER TABLE fiscal_period ADD COLUMN IF NOT EXISTS lock_reason VARCHAR(500) NOT NULL DEFAULT ''");
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE fiscal_period DROP COLUMN IF EXISTS lock_reason');
    await queryRunner.query('ALTER TABLE fiscal_period DROP COLUMN IF EXISTS locked_by');
  }
}
