import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Budgets of fiscal years: any number of versions of each year. */
export class CreateBudget1790000000053 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS budget (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  year SMALLINT NOT NULL,
  name VARCHAR(200) NOT NULL,
  list_id INT UNSIGNED NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  locked_at DATETIME NULL,
  locked_by VARCHAR(200) NULL,
  lock_reason VARCHAR(500) NOT NULL DEFAULT '',
  PRIMARY KEY (company_id, id),
  KEY budget_by_id (id),
  UNIQUE KEY budget_by_name (company_id, year, name),
  CONSTRAINT budget_of_company FOREIGN KEY (company_id) REFERENCES company (id),
  CONSTRAINT budget_by_facet FOREIGN KEY (company_id, list_id) REFERENCES code_list (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS budget');
  }
}
