import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Whether people of a company share a name is asked with every page of its history. */
export class SeekActors1790000000107 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE audit_event ADD INDEX IF NOT EXISTS audit_by_actor (company_id, actor, actor_id)');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE audit_event DROP INDEX IF EXISTS audit_by_actor');
  }
}
