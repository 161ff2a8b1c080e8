import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a person’s device makes its codes of (RFC 6238); it counts once its owner gave a first code. `last_step`: of the latest code that was taken. */
export class CreateSecondFactor1790000000112 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS second_factor (
  person_id INT UNSIGNED NOT NULL,
  secret VARBINARY(64) NOT NULL,
  confirmed_at DATETIME NULL,
  last_step BIGINT UNSIGNED NOT NULL DEFAULT 0,
  PRIMARY KEY (person_id),
  CONSTRAINT second_factor_of_person FOREIGN KEY (person_id) REFERENCES person (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS second_factor');
  }
}
