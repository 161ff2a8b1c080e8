import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Files of journal lines: how far they were read and what was found. */
export class CreateJournalImport1790000000049 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS journal_import (
  company_id INT UNSIGNED NOT NULL,
  id BIGINT UNSIGNED NOT NULL,
  name VARCHAR(200) NOT NULL,
  form TEXT NOT NULL,
  state VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  bytes BIGINT UNSIGNED NOT NULL,
  bytes_read BIGINT UNSIGNED NOT NULL DEFAULT 0,
  row_count INT UNSIGNED NOT NULL DEFAULT 0,
  summary MEDIUMTEXT NULL,
  begun_at DATETIME NOT NULL,
  begun_by VARCHAR(200) NOT NULL,
  PRIMARY KEY (company_id, id),
  CONSTRAINT journal_import_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS journal_import');
  }
}
