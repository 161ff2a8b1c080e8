import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateAccountNote1790000000026 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS account_note (
  company_id INT UNSIGNED NOT NULL,
  id BIGINT UNSIGNED NOT NULL,
  account_id INT UNSIGNED NOT NULL,
  content VARCHAR(4000) NOT NULL,
  written_at DATETIME NOT NULL,
  written_by VARCHAR(200) NOT NULL,
  PRIMARY KEY (company_id, id),
  KEY note_by_account (company_id, account_id, id),
  CONSTRAINT note_of_account FOREIGN KEY (company_id, account_id) REFERENCES account (company_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS account_note');
  }
}
