import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateChosenColumns1790000000028 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS chosen_columns (
  company_id INT UNSIGNED NOT NULL,
  person_id INT UNSIGNED NOT NULL,
  columns_shown TEXT NOT NULL,
  PRIMARY KEY (company_id, person_id),
  CONSTRAINT columns_in_company FOREIGN KEY (company_id) REFERENCES company (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS chosen_columns');
  }
}
