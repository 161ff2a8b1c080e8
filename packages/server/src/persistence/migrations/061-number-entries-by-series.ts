import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An entry is numbered in a series; 0 for the company's plain numbers. Numbers are looked up by what they are. */
export class NumberEntriesBySeries1790000000061 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE journal_entry ADD COLUMN IF NOT EXISTS series_id INT UNSIGNED NOT NULL DEFAULT 0');
    await queryRunner.query('CREATE INDEX IF NOT EXISTS entry_by_document ON journal_entry (company_id, document_number)');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP INDEX IF EXISTS entry_by_document ON journal_entry');
    await queryRunner.query('ALTER TABLE journal_entry DROP COLUMN IF EXISTS series_id');
  }
}
