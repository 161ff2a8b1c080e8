import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Entries that the screen of opening balances posted, known by its words, and what reverses them on their own day. */
export class MarkEarlierOpenings1790000000089 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query(
      `UPDATE journal_entry AS entry SET opening = 1
        WHERE source = 'manual' AND (description LIKE 'Opening balances at %' OR description LIKE 'Opening balance at %')
          AND NOT EXISTS (SELECT 1 FROM journal_line AS line JOIN account ON account.company_id = line.company_id AND account.id = line.account_id
                           WHERE line.company_id = entry.company_id AND line.entry_id = entry.id AND account.element IN ('income', 'expense'))`,
    );
    await queryRunner.query(
      `UPDATE journal_entry AS reversal JOIN journal_entry AS entry ON entry.company_id = reversal.company_id AND entry.id = reversal.reverses_entry_id
          SET reversal.opening = 1 WHERE entry.opening = 1 AND reversal.entry_date = entry.entry_date`,
    );
    await queryRunner.query(
      'UPDATE company SET structure_version = structure_version + 1 WHERE id IN (SELECT company_id FROM journal_entry WHERE opening = 1)',
    );
  }

  async down(queryRunner: QueryRunner): Promise<void> {
    await queryRunner.query('UPDATE journal_entry SET opening = 0');
  }
}
