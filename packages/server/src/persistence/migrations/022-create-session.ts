import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateSession1790000000022 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS session (
  id_hash VARBINARY(32) NOT NULL,
  person_id INT UNSIGNED NOT NULL,
  created_at DATETIME NOT NULL,
  expires_at DATETIME NOT NULL,
  PRIMARY KEY (id_hash),
  KEY session_by_person (person_id),
  KEY session_by_end (expires_at),
  CONSTRAINT session_of_person FOREIGN KEY (person_id) REFERENCES person (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS session');
  }
}
