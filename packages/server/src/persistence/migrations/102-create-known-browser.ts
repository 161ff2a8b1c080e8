import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Browsers that somebody signed in with before. */
export class CreateKnownBrowser1790000000102 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS known_browser (
  token_hash VARBINARY(32) NOT NULL,
  person_id INT UNSIGNED NOT NULL,
  last_used DATETIME NOT NULL,
  PRIMARY KEY (token_hash),
  KEY browser_by_person (person_id),
  KEY browser_by_age (last_used)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS known_browser');
  }
}
