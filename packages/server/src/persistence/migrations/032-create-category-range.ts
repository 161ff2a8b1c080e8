import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Account numbers that a category takes, in their text form, for any balance or for one side. */
export class CreateCategoryRange1790000000032 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS category_range (
  company_id INT UNSIGNED NOT NULL,
  category_id INT UNSIGNED NOT NULL,
  side VARCHAR(6) COLLATE utf8mb4_bin NOT NULL,
  content VARCHAR(2000) NOT NULL,
  PRIMARY KEY (company_id, category_id, side),
  CONSTRAINT range_of_category FOREIGN KEY (company_id, category_id) REFERENCES category (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS category_range');
  }
}
