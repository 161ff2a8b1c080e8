import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateAttachment1790000000029 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS attachment (
  company_id INT UNSIGNED NOT NULL,
  id BIGINT UNSIGNED NOT NULL,
  account_id INT UNSIGNED NOT NULL,
  name VARCHAR(200) NOT NULL,
  bytes INT UNSIGNED NOT NULL,
  sha256 VARBINARY(32) NULL,
  added_at DATETIME NOT NULL,
  added_by VARCHAR(200) NOT NULL,
  PRIMARY KEY (company_id, id),
  KEY attachment_by_account (company_id, account_id, id),
  KEY attachment_by_age (sha256, added_at),
  CONSTRAINT attachment_of_account FOREIGN KEY (company_id, account_id) REFERENCES account (company_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS attachment');
  }
}
