import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a category is called in another language than the company's main one. */
export class CreateCategoryCaption1790000000037 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS category_caption (
  company_id INT UNSIGNED NOT NULL,
  category_id INT UNSIGNED NOT NULL,
  language VARCHAR(10) COLLATE utf8mb4_bin NOT NULL,
  caption VARCHAR(200) NOT NULL,
  PRIMARY KEY (company_id, category_id, language),
  CONSTRAINT caption_of_category FOREIGN KEY (company_id, category_id) REFERENCES category (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS category_caption');
  }
}
