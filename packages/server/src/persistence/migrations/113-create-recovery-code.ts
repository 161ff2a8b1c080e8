import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Codes that stand in for a device that is lost, each once; only their SHA-256 is kept. */
export class CreateRecoveryCode1790000000113 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS recovery_code (
  person_id INT UNSIGNED NOT NULL,
  code_hash VARBINARY(32) NOT NULL,
  PRIMARY KEY (person_id, code_hash),
  CONSTRAINT recovery_code_of_person FOREIGN KEY (person_id) REFERENCES person (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS recovery_code');
  }
}
