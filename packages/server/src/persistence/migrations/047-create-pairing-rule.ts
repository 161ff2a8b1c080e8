import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Values of two facets that may not stand on one line. */
export class CreatePairingRule1790000000047 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS pairing_rule (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  first_list_id INT UNSIGNED NOT NULL,
  first_code_id INT UNSIGNED NOT NULL,
  second_list_id INT UNSIGNED NOT NULL,
  second_code_id INT UNSIGNED NOT NULL,
  reason VARCHAR(300) NOT NULL,
  PRIMARY KEY (company_id, id),
  KEY pairing_rule_by_id (id),
  CONSTRAINT pairing_first_value FOREIGN KEY (company_id, first_code_id) REFERENCES listed_code (company_id, id),
  CONSTRAINT pairing_second_value FOREIGN KEY (company_id, second_code_id) REFERENCES listed_code (company_id, id),
  CONSTRAINT pairing_first_facet FOREIGN KEY (company_id, first_list_id) REFERENCES code_list (company_id, id),
  CONSTRAINT pairing_second_facet FOREIGN KEY (company_id, second_list_id) REFERENCES code_list (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS pairing_rule');
  }
}
