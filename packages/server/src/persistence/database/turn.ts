import type { QueryRunner } from 'typeorm';
import { Refused, rowsOf } from './transaction.ts';

/**
 * What rests on something that is not there yet, and so on no row that could be held: only one at a time does it in a company, and looks
 * once it has the turn. Taken after the idempotency key and before every other lock, and held until the end of the transaction.
 */
export async function takeTurn(runner: QueryRunner, companyId: number, what: 'structure' | 'documents of files' | 'files' | 'rates'): Promise<void> {
  await runner.query('INSERT INTO turn (company_id, what) VALUES (?, ?) ON DUPLICATE KEY UPDATE what = VALUES(what)', [companyId, what]);
}

/** The turn of those who change chart, calendar, placement or settings, if the structure is still the one that the change was checked against. */
export async function takeStructure(runner: QueryRunner, companyId: number, expectedStructure: number): Promise<void> {
  await takeTurn(runner, companyId, 'structure');
  const [row] = await rowsOf<{ structureVersion: string }>(runner, 'SELECT structure_version AS structureVersion FROM company WHERE id = ?', [companyId]);
  if (Number(row?.structureVersion) !== expectedStructure) throw new Refused({ code: 'ledger_moved_on' });
}
