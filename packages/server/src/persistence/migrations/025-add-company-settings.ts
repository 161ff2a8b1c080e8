import type { MigrationInterface, QueryRunner } from 'typeorm';

export class AddCompanySettings1790000000025 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`ALTER TABLE company
  ADD COLUMN IF NOT EXISTS number_scheme VARCHAR(1000) NULL,
  ADD COLUMN IF NOT EXISTS repeated_names VARCHAR(20) COLLATE utf8mb4_bin NOT NULL DEFAULT 'pointed_out',
  ADD COLUMN IF NOT EXISTS settings_version INT UNSIGNED NOT NULL DEFAULT 0`);
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(
      'ALTER TABLE company DROP COLUMN IF EXISTS number_scheme, DROP COLUMN IF EXISTS repeated_names, DROP COLUMN IF EXISTS settings_version',
    );
  }
}
