import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateImportedFile1790000000009 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS imported_file (
  company_id INT UNSIGNED NOT NULL,
  id BIGINT UNSIGNED NOT NULL,
  name VARCHAR(200) NOT NULL,
  size INT UNSIGNED NOT NULL,
  sha256 VARBINARY(32) NOT NULL,
  uploaded_at DATETIME NOT NULL,
  uploaded_by VARCHAR(200) NOT NULL,
  PRIMARY KEY (company_id, id),
  CONSTRAINT imported_file_of_company FOREIGN KEY (company_id) REFERENCES company (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS imported_file');
  }
}
