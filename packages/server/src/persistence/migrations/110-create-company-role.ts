import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Roles that a company made: bundles of permissions, by name. Members and invitations name them as `own:` and the id. */
export class CreateCompanyRole1790000000110 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS company_role (
  company_id INT UNSIGNED NOT NULL,
  id INT UNSIGNED NOT NULL AUTO_INCREMENT,
  name VARCHAR(200) NOT NULL,
  permissions VARCHAR(1000) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  PRIMARY KEY (company_id, id),
  UNIQUE KEY company_role_by_name (company_id, name),
  KEY company_role_by_id (id),
  CONSTRAINT company_role_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS company_role');
  }
}
