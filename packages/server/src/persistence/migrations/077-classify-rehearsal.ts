import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Which classification it would change; somebody is at work on one of each. */
export class ClassifyRehearsal1790000000077 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`ALTER TABLE rehearsal
  ADD COLUMN IF NOT EXISTS classification_id INT UNSIGNED NOT NULL DEFAULT 1,
  DROP KEY rehearsal_by_name,
  ADD UNIQUE KEY rehearsal_by_name (company_id, classification_id, person_id, name)`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('DELETE FROM rehearsal WHERE classification_id <> 1');
    await queryRunner.query(
      'ALTER TABLE rehearsal DROP KEY rehearsal_by_name, ADD UNIQUE KEY rehearsal_by_name (company_id, person_id, name), DROP COLUMN IF EXISTS classification_id',
    );
  }
}
