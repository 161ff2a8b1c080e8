import type { DataSource } from 'typeorm';
import { rowsOf } from '../database/index.ts';

const entriesAtOnce = 500;
/** Of an entry of very many lines the first are enough to know it by. */
const mostAccounts = 6;

/** The other accounts of entries, by entry and side, in the order of their lines. */
export async function readCounterparts(
  database: DataSource,
  companyId: number,
  accountId: number,
  entryIds: readonly number[],
): Promise<ReadonlyMap<number, { readonly debits: readonly number[]; readonly credits: readonly number[] }>> {
  const found = new Map<number, { debits: number[]; credits: number[] }>();
  const unique = [...new Set(entryIds)];
  for (let at = 0; at < unique.length; at += entriesAtOnce) {
    const part = unique.slice(at, at + entriesAtOnce);
    const rows = await rowsOf<{ entryId: string; accountId: number; isDebit: number }>(
      database,
      `SELECT entry_id AS entryId, account_id AS accountId, debit > 0 AS isDebit FROM journal_line
        WHERE company_id = ? AND entry_id IN (${part.map(() => '?').join(', ')}) AND account_id <> ? AND line_number <= 200 ORDER BY entry_id, line_number`,
      [companyId, ...part, accountId],
    );
    for (const row of rows) {
      const entry = found.get(Number(row.entryId)) ?? { debits: [], credits: [] };
      const side = Number(row.isDebit) === 1 ? entry.debits : entry.credits;
      if (side.length < mostAccounts && !side.includes(row.accountId)) side.push(row.accountId);
      found.set(Number(row.entryId), entry);
    }
  }
  return found;
}
