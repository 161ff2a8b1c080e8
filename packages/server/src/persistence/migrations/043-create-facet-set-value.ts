import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The values of a combination, one of each facet at most. */
export class CreateFacetSetValue1790000000043 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS facet_set_value (
  company_id INT UNSIGNED NOT NULL,
  facet_set_id INT UNSIGNED NOT NULL,
  list_id INT UNSIGNED NOT NULL,
  code_id INT UNSIGNED NOT NULL,
  PRIMARY KEY (company_id, facet_set_id, list_id),
  KEY facet_set_value_by_code (company_id, code_id),
  CONSTRAINT value_in_facet_set FOREIGN KEY (company_id, facet_set_id) REFERENCES facet_set (company_id, id),
  CONSTRAINT value_of_facet FOREIGN KEY (company_id, list_id) REFERENCES code_list (company_id, id),
  CONSTRAINT value_that_is_listed FOREIGN KEY (company_id, code_id) REFERENCES listed_code (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS facet_set_value');
  }
}
