import type { MigrationInterface, QueryRunner } from 'typeorm';

/** When a trial balance was taken back, and by whom; its entries are reversed then. */
export class TakeBackTrialBalances1790000000090 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(
      "ALTER TABLE trial_balance ADD COLUMN IF NOT EXISTS taken_back_at DATETIME NULL, ADD COLUMN IF NOT EXISTS taken_back_by VARCHAR(200) NOT NULL DEFAULT ''",
    );
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE trial_balance DROP COLUMN IF EXISTS taken_back_at, DROP COLUMN IF EXISTS taken_back_by');
  }
}
