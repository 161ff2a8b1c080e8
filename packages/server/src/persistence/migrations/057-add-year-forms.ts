import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How fiscal years are made (JSON; empty for twelve months). */
export class AddYearForms1790000000057 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query("ALTER TABLE company ADD COLUMN IF NOT EXISTS year_form VARCHAR(200) NOT NULL DEFAULT ''");
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE company DROP COLUMN IF EXISTS year_form');
  }
}
