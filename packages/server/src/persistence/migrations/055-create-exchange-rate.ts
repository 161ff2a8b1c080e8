import type { MigrationInterface, QueryRunner } from 'typeorm';

/** So much of a currency for one unit of the company's; `account_id` 0 for all but historical rates. */
export class CreateExchangeRate1790000000055 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS exchange_rate (
  company_id INT UNSIGNED NOT NULL,
  currency CHAR(3) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  account_id INT UNSIGNED NOT NULL DEFAULT 0,
  day DATE NOT NULL,
  rate VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (company_id, currency, kind, account_id, day),
  CONSTRAINT exchange_rate_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS exchange_rate');
  }
}
