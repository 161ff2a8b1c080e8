import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The same of the balances by facet set. */
export class WidenOriginOfFacetBalance1790000000086 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE facet_balance MODIFY COLUMN origin VARCHAR(20) COLLATE utf8mb4_bin NOT NULL');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE facet_balance MODIFY COLUMN origin VARCHAR(10) COLLATE utf8mb4_bin NOT NULL');
  }
}
