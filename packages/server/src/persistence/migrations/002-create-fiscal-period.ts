import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateFiscalPeriod1790000000002 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS fiscal_period (
  company_id INT UNSIGNED NOT NULL,
  year SMALLINT NOT NULL,
  number TINYINT UNSIGNED NOT NULL,
  first_day DATE NOT NULL,
  last_day DATE NOT NULL,
  locked_at DATETIME NULL,
  PRIMARY KEY (company_id, year, number),
  CONSTRAINT period_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS fiscal_period');
  }
}
