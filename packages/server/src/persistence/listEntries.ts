import type { DataSource } from 'typeorm';
import type { EntriesWanted, ListedEntry } from '../application/ports/index.ts';
import { conditionOf } from './readAccountLines.ts';
import { rowsOf } from './transaction.ts';

/** Sums are asked for the page alone, by the primary key of its lines. */
export async function listEntries(
  database: DataSource,
  companyId: number,
  { from, to, text, amount, layer, source, by, accountId, selected, after, limit }: EntriesWanted,
): Promise<{ entries: ListedEntry[]; next: string | null }> {
  const [afterDay, afterId] = after === null ? [null, null] : after.split('_');
  const sets = conditionOf(selected, 'line.facet_set_id');
  const found = soughtIn(text, amount);
  const conditions: readonly (readonly [sql: string, ...values: unknown[]])[] = [
    ['entry.entry_date >= ?', from],
    ['entry.entry_date <= ?', to],
    ['entry.layer = ?', layer],
    ['entry.source = ?', source],
    ['entry.posted_by LIKE ?', by === null ? null : containing(by)],
    [withLine('line.account_id = ?'), accountId],
    ['(entry.entry_date, entry.id) < (?, ?)', afterDay, afterId],
  ];
  const wanted = [
    ...conditions.filter(([, first]) => first !== null && first !== undefined),
    ...(found ? [found] : []),
    ...(selected ? [[withLine(`TRUE ${sets.sql}`), ...sets.parameters] as const] : []),
  ];
  const rows = await rowsOf<
    Omit<ListedEntry, 'id' | 'reversesEntryId' | 'amount' | 'lines' | 'isReversed'> &
      Record<'id' | 'amount' | 'lines' | 'isReversed', string> & { reversesEntryId: string | null }
  >(
    database,
    `SELECT page.*, (SELECT SUM(debit) FROM journal_line AS line WHERE line.company_id = ? AND line.entry_id = page.id) AS amount,
            (SELECT COUNT(*) FROM journal_line AS line WHERE line.company_id = ? AND line.entry_id = page.id) AS \`lines\`,
            EXISTS (SELECT 1 FROM journal_entry AS reversal WHERE reversal.company_id = ? AND reversal.reverses_entry_id = page.id) AS isReversed
       FROM (SELECT entry.id, entry.entry_date AS date, entry.document_number AS documentNumber, entry.description, entry.layer, entry.source,
                    entry.closes_year AS closesYear, entry.reverses_entry_id AS reversesEntryId, entry.posted_by AS postedBy
               FROM journal_entry AS entry WHERE ${['entry.company_id = ?', ...wanted.map(([sql]) => sql)].join(' AND ')}
              ORDER BY entry.entry_date DESC, entry.id DESC LIMIT ?) AS page
      ORDER BY page.date DESC, page.id DESC`,
    [companyId, companyId, companyId, companyId, ...wanted.flatMap(([, ...values]) => values), limit + 1],
  );
  const entries = rows.slice(0, limit).map(
    (row): ListedEntry => ({
      ...row,
      id: Number(row.id),
      reversesEntryId: row.reversesEntryId === null ? null : Number(row.reversesEntryId),
      amount: BigInt(row.amount),
      lines: Number(row.lines),
      isReversed: Number(row.isReversed) === 1,
    }),
  );
  const last = entries.at(-1);
  return { entries, next: rows.length > limit && last ? `${last.date}_${last.id}` : null };
}

function withLine(condition: string): string {
  return `EXISTS (SELECT 1 FROM journal_line AS line WHERE line.company_id = entry.company_id AND line.entry_id = entry.id AND ${condition})`;
}

function containing(text: string): string {
  return `%${text.replaceAll(/[\\%_]/g, '\\$&')}%`;
}

/** What is sought by one field: a text, a document's number, an amount; any of them is enough. */
function soughtIn(text: string | null, amount: bigint | null): readonly [sql: string, ...values: unknown[]] | null {
  const ways: (readonly [sql: string, ...values: unknown[]])[] = [];
  if (text !== null)
    ways.push(
      ['entry.description LIKE ?', containing(text)],
      ['entry.document_number = ?', text],
      ['entry.origin_document = ?', text],
      [withLine('line.text LIKE ?'), containing(text)],
    );
  if (amount !== null) ways.push([withLine('(line.debit = ? OR line.credit = ?)'), amount.toString(), amount.toString()]);
  if (ways.length === 0) return null;
  return [`(${ways.map(([sql]) => sql).join(' OR ')})`, ...ways.flatMap(([, ...values]) => values)];
}
