import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Whether an entry was reversed is asked for each one that is shown. */
export class IndexReversals1790000000039 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('CREATE INDEX IF NOT EXISTS entry_by_reversed ON journal_entry (company_id, reverses_entry_id)');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP INDEX IF EXISTS entry_by_reversed ON journal_entry');
  }
}
