import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateAccount1790000000003 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS account (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  number VARCHAR(50) COLLATE utf8mb4_bin NOT NULL,
  number_key VARBINARY(500) NOT NULL,
  name VARCHAR(200) NOT NULL,
  element VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  normal_side VARCHAR(6) COLLATE utf8mb4_bin NOT NULL,
  parent_id INT UNSIGNED NULL,
  position INT NOT NULL,
  active TINYINT UNSIGNED NOT NULL DEFAULT 1,
  role VARCHAR(30) COLLATE utf8mb4_bin NULL,
  version INT UNSIGNED NOT NULL DEFAULT 0,
  PRIMARY KEY (company_id, id),
  KEY account_by_id (id),
  UNIQUE KEY account_by_number (company_id, number),
  KEY account_by_key (company_id, number_key),
  CONSTRAINT account_of_company FOREIGN KEY (company_id) REFERENCES company (id),
  CONSTRAINT account_parent FOREIGN KEY (company_id, parent_id) REFERENCES account (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS account');
  }
}
