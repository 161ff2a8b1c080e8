import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who looks after the installation: its messages, its jobs, and who cannot get in. The first to have made companies, until they name others. */
export class KeepTheInstallation1790000000106 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE person ADD COLUMN IF NOT EXISTS keeps_installation TINYINT UNSIGNED NOT NULL DEFAULT 0');
    await queryRunner.query(
      'UPDATE person SET keeps_installation = 1 WHERE may_add_companies = 1 AND NOT EXISTS (SELECT 1 FROM (SELECT id FROM person WHERE keeps_installation = 1) AS keeper) ORDER BY id LIMIT 1',
    );
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE person DROP COLUMN IF EXISTS keeps_installation');
  }
}
