import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Two people of one name are told apart by their id. */
export class NameActorsById1790000000105 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE audit_event ADD COLUMN IF NOT EXISTS actor_id INT UNSIGNED NULL');
    await queryRunner.query('ALTER TABLE journal_entry ADD COLUMN IF NOT EXISTS posted_by_id INT UNSIGNED NULL');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE journal_entry DROP COLUMN IF EXISTS posted_by_id');
    await queryRunner.query('ALTER TABLE audit_event DROP COLUMN IF EXISTS actor_id');
  }
}
