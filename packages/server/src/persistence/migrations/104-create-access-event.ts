import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who came in, tried to, was let in, and took what out. */
export class CreateAccessEvent1790000000104 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS access_event (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT,
  kind VARCHAR(30) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  actor_id INT UNSIGNED NULL,
  person_id INT UNSIGNED NULL,
  in_company INT UNSIGNED NULL,
  origin VARCHAR(45) NOT NULL,
  facts TEXT NOT NULL,
  happened_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY access_by_person (person_id, id),
  KEY access_by_company (in_company, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS access_event');
  }
}
