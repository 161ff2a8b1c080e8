import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Series of document numbers beside the company's plain one. */
export class CreateDocumentSeries1790000000060 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS document_series (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  code VARCHAR(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  name VARCHAR(200) NOT NULL,
  first_number BIGINT UNSIGNED NOT NULL DEFAULT 1,
  next_number BIGINT UNSIGNED NOT NULL DEFAULT 1,
  active TINYINT UNSIGNED NOT NULL DEFAULT 1,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  PRIMARY KEY (company_id, id),
  KEY document_series_by_id (id),
  UNIQUE KEY document_series_by_code (company_id, code),
  CONSTRAINT document_series_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS document_series');
  }
}
