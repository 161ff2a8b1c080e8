import type { MigrationInterface, QueryRunner } from 'typeorm';

/** So that people know their sessions apart, and those that nobody uses end. */
export class SeeSessions1790000000103 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE session ADD COLUMN IF NOT EXISTS last_seen DATETIME NULL');
    await queryRunner.query('ALTER TABLE session ADD COLUMN IF NOT EXISTS device VARCHAR(200) NOT NULL DEFAULT ""');
    await queryRunner.query('ALTER TABLE session ADD COLUMN IF NOT EXISTS origin VARCHAR(45) NOT NULL DEFAULT ""');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE session DROP COLUMN IF EXISTS origin');
    await queryRunner.query('ALTER TABLE session DROP COLUMN IF EXISTS device');
    await queryRunner.query('ALTER TABLE session DROP COLUMN IF EXISTS last_seen');
  }
}
