import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateJournalLine1790000000013 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS journal_line (
  company_id INT UNSIGNED NOT NULL,
  entry_id BIGINT UNSIGNED NOT NULL,
  line_number INT UNSIGNED NOT NULL,
  account_id INT UNSIGNED NOT NULL,
  entry_date DATE NOT NULL,
  layer VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  closing TINYINT UNSIGNED NOT NULL,
  debit BIGINT NOT NULL,
  credit BIGINT NOT NULL,
  text VARCHAR(500) NOT NULL,
  PRIMARY KEY (company_id, entry_id, line_number),
  KEY line_by_account (company_id, account_id, entry_date),
  KEY line_by_date (company_id, entry_date, closing, layer, account_id, debit, credit),
  CONSTRAINT line_of_entry FOREIGN KEY (company_id, entry_id) REFERENCES journal_entry (company_id, id),
  CONSTRAINT line_on_account FOREIGN KEY (company_id, account_id) REFERENCES account (company_id, id),
  CONSTRAINT line_amounts CHECK (debit >= 0 AND credit >= 0)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS journal_line');
  }
}
