import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateIdempotency1790000000008 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS idempotency (
  company_id INT UNSIGNED NOT NULL,
  request_key VARCHAR(100) COLLATE utf8mb4_bin NOT NULL,
  request_hash VARBINARY(32) NOT NULL,
  outcome MEDIUMTEXT NULL,
  created_at DATETIME NOT NULL,
  PRIMARY KEY (company_id, request_key),
  KEY idempotency_by_age (created_at),
  CONSTRAINT idempotency_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS idempotency');
  }
}
