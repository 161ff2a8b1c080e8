import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Entries of an import before it is posted: lines of one document, day and layer. */
export class CreateStagedEntry1790000000051 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS staged_entry (
  import_id BIGINT UNSIGNED NOT NULL,
  first_row INT UNSIGNED NOT NULL,
  place INT UNSIGNED NOT NULL DEFAULT 0,
  document VARCHAR(60) COLLATE utf8mb4_bin NOT NULL,
  entry_date DATE NOT NULL,
  layer VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  description VARCHAR(500) NOT NULL,
  year SMALLINT NOT NULL,
  period TINYINT UNSIGNED NOT NULL,
  line_count INT UNSIGNED NOT NULL,
  debit BIGINT NOT NULL,
  credit BIGINT NOT NULL,
  known_id BIGINT UNSIGNED NULL,
  PRIMARY KEY (import_id, first_row),
  UNIQUE KEY staged_entry_by_document (import_id, document, entry_date, layer)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS staged_entry');
  }
}
