import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Sums of lines inside a period are read from the index alone, by facet set too. */
export class CoverFacetSetOfLine1790000000045 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(
      'ALTER TABLE journal_line DROP INDEX IF EXISTS line_by_date, ADD INDEX IF NOT EXISTS line_by_day (company_id, entry_date, closing, layer, account_id, facet_set_id, debit, credit)',
    );
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(
      'ALTER TABLE journal_line DROP INDEX IF EXISTS line_by_day, ADD INDEX IF NOT EXISTS line_by_date (company_id, entry_date, closing, layer, account_id, debit, credit)',
    );
  }
}
