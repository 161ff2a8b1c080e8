import type { MigrationInterface, QueryRunner } from 'typeorm';

export class AddAccountExternalNumber1790000000017 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query("ALTER TABLE account ADD COLUMN IF NOT EXISTS external_number VARCHAR(50) NOT NULL DEFAULT ''");
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE account DROP COLUMN IF EXISTS external_number');
  }
}
