import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What one does at a time in a company: who takes the row waits for who has it. Not a row of the company itself, which every posting
 * takes at its end.
 */
export class CreateTurn1790000000095 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`CREATE TABLE IF NOT EXISTS turn (
  company_id INT UNSIGNED NOT NULL,
  what VARCHAR(20) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  PRIMARY KEY (company_id, what)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DROP TABLE IF EXISTS turn');
  }
}
