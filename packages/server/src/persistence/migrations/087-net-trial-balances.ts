import type { MigrationInterface, QueryRunner } from 'typeorm';
import { rebuildTables } from '../books/index.ts';

/** Balances of companies that trial balances were brought into, made anew: what these posted counts as its net of each day. */
export class NetTrialBalances1790000000087 implements MigrationInterface {
  async up(queryRunner: QueryRunner): Promise<void> {
    const companies = (await queryRunner.query('SELECT DISTINCT company_id AS id FROM journal_entry WHERE trial_balance_id IS NOT NULL')) as { id: number }[];
    for (const { id } of companies) {
      await queryRunner.startTransaction();
      await queryRunner.query('UPDATE company SET structure_version = structure_version + 1 WHERE id = ?', [id]);
      await rebuildTables(queryRunner, id);
      await queryRunner.commitTransaction();
    }
  }

  /** Balances as they were would be wrong again, and are not needed by what was there before. */
  async down(): Promise<void> {}
}
