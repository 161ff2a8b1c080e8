import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateCategory1790000000004 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS category (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  parent_id INT UNSIGNED NULL,
  element VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  name VARCHAR(200) NOT NULL,
  position INT NOT NULL,
  term VARCHAR(20) COLLATE utf8mb4_bin NULL,
  step VARCHAR(20) COLLATE utf8mb4_bin NULL,
  contra_of INT UNSIGNED NULL,
  version INT UNSIGNED NOT NULL DEFAULT 0,
  PRIMARY KEY (company_id, id),
  KEY category_by_id (id),
  CONSTRAINT category_of_company FOREIGN KEY (company_id) REFERENCES company (id),
  CONSTRAINT category_parent FOREIGN KEY (company_id, parent_id) REFERENCES category (company_id, id),
  CONSTRAINT category_contra FOREIGN KEY (company_id, contra_of) REFERENCES category (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS category');
  }
}
