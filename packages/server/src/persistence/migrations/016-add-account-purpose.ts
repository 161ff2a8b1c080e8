import type { MigrationInterface, QueryRunner } from 'typeorm';

export class AddAccountPurpose1790000000016 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query("ALTER TABLE account ADD COLUMN IF NOT EXISTS purpose VARCHAR(2000) NOT NULL DEFAULT ''");
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE account DROP COLUMN IF EXISTS purpose');
  }
}
