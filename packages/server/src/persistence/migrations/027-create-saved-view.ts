import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateSavedView1790000000027 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS saved_view (
  company_id INT UNSIGNED NOT NULL,
  id BIGINT UNSIGNED NOT NULL,
  person_id INT UNSIGNED NOT NULL,
  name VARCHAR(100) NOT NULL,
  shared TINYINT(1) NOT NULL,
  content TEXT NOT NULL,
  version INT UNSIGNED NOT NULL,
  PRIMARY KEY (company_id, id),
  CONSTRAINT view_of_company FOREIGN KEY (company_id) REFERENCES company (id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS saved_view');
  }
}
