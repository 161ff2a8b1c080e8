import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The codes of a list, or the values of a facet. */
export class CreateListedCode1790000000034 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS listed_code (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  list_id INT UNSIGNED NOT NULL,
  code VARCHAR(50) COLLATE utf8mb4_bin NOT NULL,
  caption VARCHAR(200) NOT NULL,
  element VARCHAR(10) COLLATE utf8mb4_bin NULL,
  side VARCHAR(6) COLLATE utf8mb4_bin NULL,
  parent VARCHAR(50) COLLATE utf8mb4_bin NULL,
  position INT NOT NULL,
  PRIMARY KEY (company_id, id),
  KEY listed_code_by_id (id),
  UNIQUE KEY listed_code_by_code (company_id, list_id, code),
  CONSTRAINT listed_in_code_list FOREIGN KEY (company_id, list_id) REFERENCES code_list (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS listed_code');
  }
}
