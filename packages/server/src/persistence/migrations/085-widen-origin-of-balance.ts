import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Balances that come from trial balances stand apart, since they are netted by day. */
export class WidenOriginOfBalance1790000000085 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE balance MODIFY COLUMN origin VARCHAR(20) COLLATE utf8mb4_bin NOT NULL');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE balance MODIFY COLUMN origin VARCHAR(10) COLLATE utf8mb4_bin NOT NULL');
  }
}
