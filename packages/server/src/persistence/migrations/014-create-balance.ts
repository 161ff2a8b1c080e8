import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateBalance1790000000014 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS balance (
  company_id INT UNSIGNED NOT NULL,
  scenario INT UNSIGNED NOT NULL,
  layer VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  origin VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  account_id INT UNSIGNED NOT NULL,
  year SMALLINT NOT NULL,
  period TINYINT UNSIGNED NOT NULL,
  debit BIGINT NOT NULL,
  credit BIGINT NOT NULL,
  PRIMARY KEY (company_id, scenario, layer, origin, account_id, year, period),
  CONSTRAINT balance_of_account FOREIGN KEY (company_id, account_id) REFERENCES account (company_id, id),
  CONSTRAINT balance_in_period FOREIGN KEY (company_id, year, period) REFERENCES fiscal_period (company_id, year, number)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS balance');
  }
}
