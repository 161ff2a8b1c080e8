import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Accounts that somebody left out of the coverage of a classification or of a code list, with the reason. */
export class CreateCoverageExclusion1790000000078 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS coverage_exclusion (
  company_id INT UNSIGNED NOT NULL,
  scope VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  account_id INT UNSIGNED NOT NULL,
  reason VARCHAR(500) NOT NULL,
  excluded_by VARCHAR(200) NOT NULL,
  excluded_at DATETIME NOT NULL,
  PRIMARY KEY (company_id, scope, account_id),
  KEY coverage_exclusion_by_account (company_id, account_id),
  CONSTRAINT coverage_exclusion_of_account FOREIGN KEY (company_id, account_id) REFERENCES account (company_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS coverage_exclusion');
  }
}
