import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The classification that the statements, the rail and the proofs go by. */
export class NameMainClassification1790000000073 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE company ADD COLUMN IF NOT EXISTS main_classification INT UNSIGNED NOT NULL DEFAULT 1');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE company DROP COLUMN IF EXISTS main_classification');
  }
}
