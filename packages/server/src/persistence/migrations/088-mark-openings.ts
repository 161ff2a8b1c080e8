import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Whether an entry sets opening balances: those of a year's first day belong to its opening, and before them there are no balances to move from. */
export class MarkOpenings1790000000088 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE journal_entry ADD COLUMN IF NOT EXISTS opening TINYINT UNSIGNED NOT NULL DEFAULT 0');
    await queryRunner.query('CREATE INDEX IF NOT EXISTS entry_by_opening ON journal_entry (company_id, opening)');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP INDEX IF EXISTS entry_by_opening ON journal_entry');
    await queryRunner.query('ALTER TABLE journal_entry DROP COLUMN IF EXISTS opening');
  }
}
