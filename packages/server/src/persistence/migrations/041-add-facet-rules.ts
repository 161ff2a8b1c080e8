import type { MigrationInterface, QueryRunner } from 'typeorm';

/** On which accounts a facet is needed, and on which it may not stand. */
export class AddFacetRules1790000000041 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query("ALTER TABLE code_list ADD COLUMN IF NOT EXISTS needed_on VARCHAR(1000) NOT NULL DEFAULT ''");
    await queryRunner.query("ALTER TABLE code_list ADD COLUMN IF NOT EXISTS not_allowed_on VARCHAR(1000) NOT NULL DEFAULT ''");
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE code_list DROP COLUMN IF EXISTS not_allowed_on');
    await queryRunner.query('ALTER TABLE code_list DROP COLUMN IF EXISTS needed_on');
  }
}
