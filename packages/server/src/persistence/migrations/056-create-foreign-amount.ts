import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a line is in another currency; few lines have it, so it stands beside them. `rate` is empty where it follows from both amounts. */
export class CreateForeignAmount1790000000056 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS foreign_amount (
  company_id INT UNSIGNED NOT NULL,
  entry_id BIGINT UNSIGNED NOT NULL,
  line_number INT UNSIGNED NOT NULL,
  currency CHAR(3) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  amount BIGINT NOT NULL,
  rate VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (company_id, entry_id, line_number),
  CONSTRAINT foreign_amount_of_line FOREIGN KEY (company_id, entry_id, line_number) REFERENCES journal_line (company_id, entry_id, line_number)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS foreign_amount');
  }
}
