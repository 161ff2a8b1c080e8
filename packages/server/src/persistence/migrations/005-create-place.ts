import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreatePlace1790000000005 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS place (
  company_id INT UNSIGNED NOT NULL,
  account_id INT UNSIGNED NOT NULL,
  side VARCHAR(6) COLLATE utf8mb4_bin NOT NULL,
  category_id INT UNSIGNED NOT NULL,
  PRIMARY KEY (company_id, account_id, side),
  KEY place_by_category (company_id, category_id),
  CONSTRAINT place_of_account FOREIGN KEY (company_id, account_id) REFERENCES account (company_id, id),
  CONSTRAINT place_in_category FOREIGN KEY (company_id, category_id) REFERENCES category (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS place');
  }
}
