import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Each version of a layout that was put in use, as it was. */
export class CreateLayoutVersion1790000000081 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS layout_version (
  company_id INT UNSIGNED NOT NULL,
  layout_id INT UNSIGNED NOT NULL,
  number INT UNSIGNED NOT NULL,
  definition MEDIUMTEXT NOT NULL,
  reason VARCHAR(500) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  made_by VARCHAR(200) NOT NULL,
  PRIMARY KEY (company_id, layout_id, number),
  CONSTRAINT version_of_layout FOREIGN KEY (company_id, layout_id) REFERENCES layout (company_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS layout_version');
  }
}
