import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A category belongs to one classification. */
export class ClassifyCategory1790000000074 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE category ADD COLUMN IF NOT EXISTS classification_id INT UNSIGNED NOT NULL DEFAULT 1');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE category DROP COLUMN IF EXISTS classification_id');
  }
}
