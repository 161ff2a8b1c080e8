import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The one code that an account has of a list. */
export class CreateAccountCode1790000000035 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS account_code (
  company_id INT UNSIGNED NOT NULL,
  account_id INT UNSIGNED NOT NULL,
  list_id INT UNSIGNED NOT NULL,
  code_id INT UNSIGNED NOT NULL,
  PRIMARY KEY (company_id, account_id, list_id),
  KEY account_code_by_code (company_id, code_id),
  CONSTRAINT code_of_account FOREIGN KEY (company_id, account_id) REFERENCES account (company_id, id),
  CONSTRAINT code_from_list FOREIGN KEY (company_id, list_id) REFERENCES code_list (company_id, id),
  CONSTRAINT code_that_is_listed FOREIGN KEY (company_id, code_id) REFERENCES listed_code (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS account_code');
  }
}
