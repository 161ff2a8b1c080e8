import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a category's cash flows are, the note it belongs to, and what belongs in it. */
export class DescribeCategories1790000000064 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`ALTER TABLE category
  ADD COLUMN IF NOT EXISTS nature VARCHAR(10) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL,
  ADD COLUMN IF NOT EXISTS note VARCHAR(20) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS description VARCHAR(2000) NOT NULL DEFAULT ''`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE category DROP COLUMN IF EXISTS nature, DROP COLUMN IF EXISTS note, DROP COLUMN IF EXISTS description');
  }
}
