import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateJournalEntry1790000000012 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS journal_entry (
  company_id INT UNSIGNED NOT NULL,
  id BIGINT UNSIGNED NOT NULL,
  entry_date DATE NOT NULL,
  year SMALLINT NOT NULL,
  period TINYINT UNSIGNED NOT NULL,
  document_number VARCHAR(40) COLLATE utf8mb4_bin NOT NULL,
  description VARCHAR(500) NOT NULL,
  layer VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  source VARCHAR(20) COLLATE utf8mb4_bin NOT NULL,
  closes_year SMALLINT NULL,
  reverses_entry_id BIGINT UNSIGNED NULL,
  trial_balance_id BIGINT UNSIGNED NULL,
  revision BIGINT UNSIGNED NOT NULL,
  posted_at DATETIME NOT NULL,
  posted_by VARCHAR(200) NOT NULL,
  PRIMARY KEY (company_id, id),
  KEY entry_by_revision (company_id, revision),
  KEY entry_by_date (company_id, entry_date, id),
  KEY entry_by_trial_balance (company_id, trial_balance_id),
  CONSTRAINT entry_in_period FOREIGN KEY (company_id, year, period) REFERENCES fiscal_period (company_id, year, number)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS journal_entry');
  }
}
