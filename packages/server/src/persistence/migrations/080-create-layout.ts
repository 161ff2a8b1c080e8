import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Layouts that somebody composed: what is drafted, and which version runs. */
export class CreateLayout1790000000080 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS layout (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  classification_id INT UNSIGNED NOT NULL,
  name VARCHAR(200) NOT NULL,
  kind VARCHAR(20) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  in_use INT UNSIGNED NULL,
  draft MEDIUMTEXT NULL,
  changed_at DATETIME(6) NOT NULL,
  changed_by VARCHAR(200) NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  PRIMARY KEY (company_id, id),
  KEY layout_by_id (id),
  UNIQUE KEY layout_by_name (company_id, name),
  CONSTRAINT layout_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS layout');
  }
}
