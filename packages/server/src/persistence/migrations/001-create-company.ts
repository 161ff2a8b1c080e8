import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateCompany1790000000001 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS company (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name VARCHAR(200) NOT NULL,
  currency VARCHAR(3) COLLATE utf8mb4_bin NOT NULL,
  fiscal_first_month TINYINT UNSIGNED NOT NULL,
  digit_order VARCHAR(20) COLLATE utf8mb4_bin NOT NULL,
  revision BIGINT UNSIGNED NOT NULL DEFAULT 0,
  structure_version BIGINT UNSIGNED NOT NULL DEFAULT 0,
  next_document BIGINT UNSIGNED NOT NULL DEFAULT 1,
  created_at DATETIME NOT NULL,
  PRIMARY KEY (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS company');
  }
}
