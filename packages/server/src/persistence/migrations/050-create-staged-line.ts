import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Lines of an import before it is posted. */
export class CreateStagedLine1790000000050 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS staged_line (
  import_id BIGINT UNSIGNED NOT NULL,
  line_row INT UNSIGNED NOT NULL,
  document VARCHAR(60) COLLATE utf8mb4_bin NOT NULL,
  entry_date DATE NOT NULL,
  layer VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  description VARCHAR(500) NOT NULL,
  account_id INT UNSIGNED NOT NULL,
  debit BIGINT NOT NULL,
  credit BIGINT NOT NULL,
  text VARCHAR(500) NOT NULL,
  facet_set_id INT UNSIGNED NOT NULL,
  year SMALLINT NOT NULL,
  period TINYINT UNSIGNED NOT NULL,
  PRIMARY KEY (import_id, line_row),
  KEY staged_line_by_document (import_id, document, entry_date, layer)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS staged_line');
  }
}
