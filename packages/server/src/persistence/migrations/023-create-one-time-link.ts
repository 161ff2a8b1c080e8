import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateOneTimeLink1790000000023 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS one_time_link (
  token_hash VARBINARY(32) NOT NULL,
  person_id INT UNSIGNED NULL,
  expires_at DATETIME NOT NULL,
  used_at DATETIME NULL,
  PRIMARY KEY (token_hash),
  KEY link_by_person (person_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS one_time_link');
  }
}
