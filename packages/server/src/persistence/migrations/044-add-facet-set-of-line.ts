import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The facet values of a line; 0 where it has none. */
export class AddFacetSetOfLine1790000000044 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE journal_line ADD COLUMN IF NOT EXISTS facet_set_id INT UNSIGNED NOT NULL DEFAULT 0');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE journal_line DROP COLUMN IF EXISTS facet_set_id');
  }
}
