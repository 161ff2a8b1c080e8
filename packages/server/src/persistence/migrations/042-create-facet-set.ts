import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Each distinct combination of facet values that lines have, once. */
export class CreateFacetSet1790000000042 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS facet_set (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  fingerprint VARCHAR(500) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (company_id, id),
  KEY facet_set_by_id (id),
  UNIQUE KEY facet_set_by_fingerprint (company_id, fingerprint),
  CONSTRAINT facet_set_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS facet_set');
  }
}
