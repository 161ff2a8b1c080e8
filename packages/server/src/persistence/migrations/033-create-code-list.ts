import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Lists of report codes, and facets. */
export class CreateCodeList1790000000033 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS code_list (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  kind VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  name VARCHAR(100) NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  PRIMARY KEY (company_id, id),
  KEY code_list_by_id (id),
  UNIQUE KEY code_list_by_name (company_id, kind, name),
  CONSTRAINT code_list_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS code_list');
  }
}
