import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The document that an entry had in the file it came from, by which it is known again. */
export class AddOriginDocument1790000000048 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query("ALTER TABLE journal_entry ADD COLUMN IF NOT EXISTS origin_document VARCHAR(60) COLLATE utf8mb4_bin NOT NULL DEFAULT ''");
    await queryRunner.query('CREATE INDEX IF NOT EXISTS entry_by_origin ON journal_entry (company_id, origin_document, entry_date)');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP INDEX IF EXISTS entry_by_origin ON journal_entry');
    await queryRunner.query('ALTER TABLE journal_entry DROP COLUMN IF EXISTS origin_document');
  }
}
