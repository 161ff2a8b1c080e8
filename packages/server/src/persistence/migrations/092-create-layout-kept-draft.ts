import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Drafts of layouts that were dropped, or of which somebody else's change stands: the way back. */
export class CreateLayoutKeptDraft1790000000092 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS layout_kept_draft (
  company_id INT UNSIGNED NOT NULL,
  layout_id INT UNSIGNED NOT NULL,
  number INT UNSIGNED NOT NULL,
  definition MEDIUMTEXT NOT NULL,
  saved_at DATETIME(6) NOT NULL,
  saved_by VARCHAR(200) NOT NULL,
  PRIMARY KEY (company_id, layout_id, number),
  CONSTRAINT kept_draft_of_layout FOREIGN KEY (company_id, layout_id) REFERENCES layout (company_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS layout_kept_draft');
  }
}
