import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What is budgeted on an account in a period; `code_id` is a value of the budget's facet, 0 for none. Nothing else is derived from it. */
export class CreateBudgetAmount1790000000054 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS budget_amount (
  company_id INT UNSIGNED NOT NULL,
  budget_id INT UNSIGNED NOT NULL,
  code_id INT UNSIGNED NOT NULL,
  account_id INT UNSIGNED NOT NULL,
  period TINYINT UNSIGNED NOT NULL,
  net BIGINT NOT NULL,
  PRIMARY KEY (company_id, budget_id, code_id, account_id, period),
  KEY budget_amount_by_account (company_id, account_id),
  CONSTRAINT amount_in_budget FOREIGN KEY (company_id, budget_id) REFERENCES budget (company_id, id) ON DELETE CASCADE,
  CONSTRAINT budget_amount_of_account FOREIGN KEY (company_id, account_id) REFERENCES account (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS budget_amount');
  }
}
