import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Which classification was changed. */
export class ClassifyPlacementRecord1790000000076 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE placement_record ADD COLUMN IF NOT EXISTS classification_id INT UNSIGNED NOT NULL DEFAULT 1');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE placement_record DROP COLUMN IF EXISTS classification_id');
  }
}
