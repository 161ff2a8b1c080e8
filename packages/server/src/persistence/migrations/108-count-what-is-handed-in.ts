import type { MigrationInterface, QueryRunner } from 'typeorm';

const tables = { imported_file: 'uploaded', attachment: 'added', journal_import: 'begun' } as const;

/** What somebody hands in within a day is counted by their id; how much of an import has come is told while it comes. */
export class CountWhatIsHandedIn1790000000108 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    for (const [table, done] of Object.entries(tables))
      await queryRunner.query(
        `ALTER TABLE ${table} ADD COLUMN IF NOT EXISTS ${done}_by_id INT UNSIGNED NULL, ADD INDEX IF NOT EXISTS ${table}_by_person (${done}_by_id, ${done}_at)`,
      );
    await queryRunner.query('ALTER TABLE journal_import ADD COLUMN IF NOT EXISTS bytes_received BIGINT UNSIGNED NOT NULL DEFAULT 0 AFTER bytes');
    await queryRunner.query('ALTER TABLE imported_file ADD INDEX IF NOT EXISTS imported_file_by_age (uploaded_at)');
    await queryRunner.query('ALTER TABLE journal_import ADD INDEX IF NOT EXISTS journal_import_by_state (state, begun_at)');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('ALTER TABLE journal_import DROP INDEX IF EXISTS journal_import_by_state, DROP COLUMN IF EXISTS bytes_received');
    await queryRunner.query('ALTER TABLE imported_file DROP INDEX IF EXISTS imported_file_by_age');
    for (const [table, done] of Object.entries(tables))
      await queryRunner.query(`ALTER TABLE ${table} DROP INDEX IF EXISTS ${table}_by_person, DROP COLUMN IF EXISTS ${done}_by_id`);
  }
}
