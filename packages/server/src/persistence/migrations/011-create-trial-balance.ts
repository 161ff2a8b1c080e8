import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateTrialBalance1790000000011 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS trial_balance (
  company_id INT UNSIGNED NOT NULL,
  id BIGINT UNSIGNED NOT NULL,
  file_id BIGINT UNSIGNED NOT NULL,
  file_name VARCHAR(200) NOT NULL,
  balance_day DATE NOT NULL,
  figures VARCHAR(200) NOT NULL,
  posted_at DATETIME NOT NULL,
  posted_by VARCHAR(200) NOT NULL,
  PRIMARY KEY (company_id, id),
  KEY trial_balance_by_day (company_id, balance_day, id),
  CONSTRAINT trial_balance_file FOREIGN KEY (company_id, file_id) REFERENCES imported_file (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS trial_balance');
  }
}
