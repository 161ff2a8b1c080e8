import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreatePerson1790000000020 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS person (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  email VARCHAR(200) COLLATE utf8mb4_bin NOT NULL,
  name VARCHAR(200) NOT NULL,
  password_hash VARCHAR(300) COLLATE utf8mb4_bin NULL,
  may_add_companies TINYINT UNSIGNED NOT NULL DEFAULT 0,
  failed_sign_ins INT UNSIGNED NOT NULL DEFAULT 0,
  failed_since DATETIME NULL,
  last_sign_in DATETIME NULL,
  created_at DATETIME NOT NULL,
  PRIMARY KEY (id),
  UNIQUE KEY person_by_email (email)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS person');
  }
}
