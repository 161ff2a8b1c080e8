import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Statements that are run together for one date. */
export class CreateStatementSet1790000000083 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS statement_set (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name VARCHAR(200) NOT NULL,
  definition MEDIUMTEXT NOT NULL,
  changed_at DATETIME(6) NOT NULL,
  changed_by VARCHAR(200) NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  PRIMARY KEY (company_id, id),
  KEY statement_set_by_id (id),
  UNIQUE KEY statement_set_by_name (company_id, name),
  CONSTRAINT statement_set_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS statement_set');
  }
}
