import type { DataSource } from 'typeorm';
import type { EntriesWanted, ListedEntry } from '../application/ports/index.ts';
import { accountPattern, amountPattern, escaped, wordPatterns } from './entrySearch.ts';
import { conditionOf } from './readAccountLines.ts';
import { rowsOf } from './transaction.ts';

/**
 * Entries are found by their rows of `entry_search`, which lie in the order that they are listed in; what the list tells of
 * them is asked for the page alone.
 */
export async function listEntries(
  database: DataSource,
  companyId: number,
  { from, to, text, amount, layer, source, series, by, accountId, selected, after, limit }: EntriesWanted,
): Promise<{ entries: ListedEntry[]; next: string | null }> {
  const [afterDay, afterId] = after === null ? [null, null] : after.split('_');
  const sets = conditionOf(selected, 'line.facet_set_id');
  const sought = await soughtIn(database, companyId, text, amount);
  const conditions: readonly (readonly [sql: string, ...values: unknown[]])[] = [
    ['found.entry_date >= ?', from],
    ['found.entry_date <= ?', to],
    ['found.layer = ?', layer],
    ['found.source = ?', source],
    ['found.series_id = ?', series],
    ['found.posted_by LIKE ?', by === null ? null : `%${escaped(by)}%`],
    ['found.words LIKE ?', accountId === null ? null : accountPattern(accountId)],
    ['(found.entry_date, found.entry_id) < (?, ?)', afterDay, afterId],
  ];
  const wanted = [
    ...conditions.filter(([, first]) => first !== null && first !== undefined),
    ...(sought ? [sought] : []),
    ...(selected
      ? [
          [
            `EXISTS (SELECT 1 FROM journal_line AS line WHERE line.company_id = found.company_id AND line.entry_id = found.entry_id ${sets.sql})`,
            ...sets.parameters,
          ] as const,
        ]
      : []),
  ];
  const rows = await rowsOf<
    Omit<ListedEntry, 'id' | 'reversesEntryId' | 'amount' | 'lines' | 'isReversed'> &
      Record<'id' | 'amount' | 'lines' | 'isReversed', string> & { reversesEntryId: string | null }
  >(
    database,
    `SELECT entry.id, entry.entry_date AS date, entry.document_number AS documentNumber, entry.description, entry.layer, entry.source,
            entry.closes_year AS closesYear, entry.reverses_entry_id AS reversesEntryId, entry.posted_by AS postedBy,
            (SELECT SUM(debit) FROM journal_line AS line WHERE line.company_id = ? AND line.entry_id = entry.id) AS amount,
            (SELECT COUNT(*) FROM journal_line AS line WHERE line.company_id = ? AND line.entry_id = entry.id) AS \`lines\`,
            EXISTS (SELECT 1 FROM journal_entry AS reversal WHERE reversal.company_id = ? AND reversal.reverses_entry_id = entry.id) AS isReversed
       FROM (SELECT found.company_id, found.entry_id FROM entry_search AS found WHERE ${['found.company_id = ?', ...wanted.map(([sql]) => sql)].join(' AND ')}
              ORDER BY found.entry_date DESC, found.entry_id DESC LIMIT ?) AS page
       JOIN journal_entry AS entry ON entry.company_id = page.company_id AND entry.id = page.entry_id
      ORDER BY entry.entry_date DESC, entry.id DESC`,
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

/** What is sought by one field: words, a document's number, an amount; any of them is enough. */
async function soughtIn(
  database: DataSource,
  companyId: number,
  text: string | null,
  amount: bigint | null,
): Promise<readonly [sql: string, ...values: unknown[]] | null> {
  const ways: (readonly [sql: string, ...values: unknown[]])[] = [];
  if (text !== null) {
    const patterns = wordPatterns(text);
    if (patterns.length > 0) ways.push([`(${patterns.map(() => 'found.words LIKE ?').join(' AND ')})`, ...patterns]);
    const numbered = await rowsOf<{ id: string }>(database, 'SELECT id FROM journal_entry WHERE company_id = ? AND document_number = ?', [
      companyId,
      text.trim(),
    ]);
    if (numbered.length > 0) ways.push([`found.entry_id IN (${numbered.map(() => '?').join(', ')})`, ...numbered.map(({ id }) => id)]);
  }
  if (amount !== null) ways.push(['found.words LIKE ?', amountPattern(amount)]);
  if (ways.length === 0) return text === null || text.trim() === '' ? null : ['FALSE'];
  return [`(${ways.map(([sql]) => sql).join(' OR ')})`, ...ways.flatMap(([, ...values]) => values)];
}
