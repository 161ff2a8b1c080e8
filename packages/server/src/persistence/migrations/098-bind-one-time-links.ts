import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A link that sets a password is good for the rights of its person, and of who made it, as they were when it was made. */
export class BindOneTimeLinks1790000000098 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE one_time_link ADD COLUMN IF NOT EXISTS rights VARBINARY(32) NULL');
    await queryRunner.query('ALTER TABLE one_time_link ADD COLUMN IF NOT EXISTS made_by INT UNSIGNED NULL');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE one_time_link DROP COLUMN IF EXISTS made_by');
    await queryRunner.query('ALTER TABLE one_time_link DROP COLUMN IF EXISTS rights');
  }
}
