import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CreateImportedFilePart1790000000010 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS imported_file_part (
  company_id INT UNSIGNED NOT NULL,
  file_id BIGINT UNSIGNED NOT NULL,
  part INT UNSIGNED NOT NULL,
  content MEDIUMBLOB NOT NULL,
  PRIMARY KEY (company_id, file_id, part),
  CONSTRAINT part_of_imported_file FOREIGN KEY (company_id, file_id) REFERENCES imported_file (company_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS imported_file_part');
  }
}
