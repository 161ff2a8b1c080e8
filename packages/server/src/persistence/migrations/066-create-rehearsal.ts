import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Proposed changes of the placement that are kept: one without a name for each person, any number with one. */
export class CreateRehearsal1790000000066 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS rehearsal (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  person_id INT UNSIGNED NOT NULL,
  name VARCHAR(200) NOT NULL,
  state VARCHAR(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  word VARCHAR(500) NOT NULL DEFAULT '',
  word_by VARCHAR(200) NOT NULL DEFAULT '',
  draft MEDIUMTEXT NOT NULL,
  changed_at DATETIME(6) NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  PRIMARY KEY (company_id, id),
  KEY rehearsal_by_id (id),
  UNIQUE KEY rehearsal_by_name (company_id, person_id, name),
  CONSTRAINT rehearsal_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS rehearsal');
  }
}
