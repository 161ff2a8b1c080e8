import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was posted with each facet set; derived from the lines, as the balances are. */
export class CreateFacetBalance1790000000046 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS facet_balance (
  company_id INT UNSIGNED NOT NULL,
  facet_set_id INT UNSIGNED NOT NULL,
  layer VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  origin VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  account_id INT UNSIGNED NOT NULL,
  year SMALLINT NOT NULL,
  period TINYINT UNSIGNED NOT NULL,
  debit BIGINT NOT NULL,
  credit BIGINT NOT NULL,
  PRIMARY KEY (company_id, facet_set_id, layer, origin, account_id, year, period)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS facet_balance');
  }
}
