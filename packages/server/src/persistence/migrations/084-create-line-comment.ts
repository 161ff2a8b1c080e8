import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What people write about a line of a set, kept with the last day of the span. */
export class CreateLineComment1790000000084 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS line_comment (
  company_id INT UNSIGNED NOT NULL,
  set_id INT UNSIGNED NOT NULL,
  part_key VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  line_key VARCHAR(100) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  last_day DATE NOT NULL,
  content TEXT NOT NULL,
  changed_at DATETIME(6) NOT NULL,
  changed_by VARCHAR(200) NOT NULL,
  version INT UNSIGNED NOT NULL,
  PRIMARY KEY (company_id, set_id, last_day, part_key, line_key),
  CONSTRAINT line_comment_of_set FOREIGN KEY (company_id, set_id) REFERENCES statement_set (company_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS line_comment');
  }
}
