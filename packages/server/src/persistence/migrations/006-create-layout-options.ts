import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateLayoutOptions1790000000006 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS layout_options (
  company_id INT UNSIGNED NOT NULL,
  options VARCHAR(1000) NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 0,
  PRIMARY KEY (company_id),
  CONSTRAINT layout_options_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS layout_options');
  }
}
