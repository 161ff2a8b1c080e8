import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Whether everybody who signs in with a password needs a second factor. */
export class RequireSecondFactor1790000000114 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE installation ADD COLUMN IF NOT EXISTS requires_second_factor TINYINT UNSIGNED NOT NULL DEFAULT 0');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE installation DROP COLUMN IF EXISTS requires_second_factor');
  }
}
