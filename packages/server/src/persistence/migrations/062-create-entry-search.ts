import type { MigrationInterface, QueryRunner } from 'typeorm';

/** One row for each entry with all that it is sought by, latest first as entries are listed: a search reads on from the first row. */
export class CreateEntrySearch1790000000062 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS entry_search (
  company_id INT UNSIGNED NOT NULL,
  entry_date DATE NOT NULL,
  entry_id BIGINT UNSIGNED NOT NULL,
  layer VARCHAR(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  source VARCHAR(20) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  series_id INT UNSIGNED NOT NULL,
  posted_by VARCHAR(200) NOT NULL,
  texts MEDIUMBLOB NOT NULL,
  marks MEDIUMBLOB NOT NULL,
  PRIMARY KEY (company_id, entry_date DESC, entry_id DESC)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS entry_search');
  }
}
