import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Files belong to an account or to an entry. */
export class AttachToEntries1790000000059 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE attachment MODIFY account_id INT UNSIGNED NULL');
    await queryRunner.query('ALTER TABLE attachment ADD COLUMN IF NOT EXISTS entry_id BIGINT UNSIGNED NULL');
    await queryRunner.query('CREATE INDEX IF NOT EXISTS attachment_by_entry ON attachment (company_id, entry_id, id)');
    await queryRunner.query(
      'ALTER TABLE attachment ADD CONSTRAINT FOREIGN KEY IF NOT EXISTS attachment_of_entry (company_id, entry_id) REFERENCES journal_entry (company_id, id)',
    );
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE attachment DROP FOREIGN KEY IF EXISTS attachment_of_entry');
    await queryRunner.query('ALTER TABLE attachment DROP COLUMN IF EXISTS entry_id');
  }
}
