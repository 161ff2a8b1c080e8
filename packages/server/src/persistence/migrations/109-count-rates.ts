import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Changes of exchange rates have a counter beside those of postings and of the structure, so that what is kept in another currency knows which rates it is of. */
export class CountRates1790000000109 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE company ADD COLUMN IF NOT EXISTS rates_version BIGINT UNSIGNED NOT NULL DEFAULT 0 AFTER structure_version');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE company DROP COLUMN IF EXISTS rates_version');
  }
}
