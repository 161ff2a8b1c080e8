import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * An entry is reversed once. Where two people did it in one moment, the first reversal keeps the name of the entry and the later ones
 * stand as entries of their own, as they are posted: they can be reversed now.
 */
export class ReverseOnce1790000000096 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(`UPDATE journal_entry AS entry JOIN (
         SELECT company_id, reverses_entry_id, MIN(id) AS first FROM journal_entry WHERE reverses_entry_id IS NOT NULL
          GROUP BY company_id, reverses_entry_id HAVING COUNT(*) > 1) AS twice
        ON twice.company_id = entry.company_id AND twice.reverses_entry_id = entry.reverses_entry_id AND entry.id <> twice.first
       SET entry.reverses_entry_id = NULL`);
    await queryRunner.query('CREATE UNIQUE INDEX IF NOT EXISTS entry_reversed_once ON journal_entry (company_id, reverses_entry_id)');
    await queryRunner.query('DROP INDEX IF EXISTS entry_by_reversed ON journal_entry');
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('CREATE INDEX IF NOT EXISTS entry_by_reversed ON journal_entry (company_id, reverses_entry_id)');
    await queryRunner.query('DROP INDEX IF EXISTS entry_reversed_once ON journal_entry');
  }
}
