import type { DataSource } from 'typeorm';
import type { EntriesWanted, ListedEntry } from '../../application/ports/index.ts';
import { accountPattern, amountPattern, conditionOf, escaped, wordPatterns } from '../books/index.ts';
import { rowsOf } from '../database/index.ts';

/** Entries are found by their rows of `entry_search`, which lie in the order they are listed in; what is told of them is asked for the page alone. */
export async function listEntries(
  database: DataSource,
  companyId: number,
  { from, to, text, amount, layer, source, series, by, accountId, selected, after, limit }: EntriesWanted,
): Promise<{ entries: ListedEntry[]; next: string | null }> {
  const [afterDay, afterId] = after === null ? [null, null] : after.split('_');
  const sets = conditionOf(selected, 'line.facet_set_id');
  const sought = await soughtIn(database, companyId, text, amount);
  const conditions: readonly Condition[] = [
    ['found.entry_date >= ?', from],
    ['found.entry_date <= ?', to],
    ['found.layer = ?', layer],
    ['found.source = ?', source],
    ['found.series_id = ?', series],
    ['found.posted_by LIKE ?', by === null ? null : `%${escaped(by)}%`],
    ['found.marks LIKE ?', accountId === null ? null : accountPattern(accountId)],
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
  const mayBeRare = [sought, layer, source, series, by, accountId, selected].some((part) => part !== null);
  const found = await findIds(database, companyId, wanted, mayBeRare, limit + 1);
  const entries = await tellEntries(database, companyId, found.slice(0, limit));
  const last = entries.at(-1);
  return { entries, next: found.length > limit && last ? `${last.date}_${last.id}` : null };
}

type Condition = readonly [sql: string, ...values: unknown[]];

/** What is sought may stand in few of very many entries; then both halves of their days are read through side by side. */
async function findIds(database: DataSource, companyId: number, wanted: readonly Condition[], mayBeRare: boolean, most: number): Promise<number[]> {
  const find = async (...more: Condition[]): Promise<number[]> => {
    const conditions: readonly Condition[] = [['found.company_id = ?', companyId], ...wanted, ...more];
    const rows = await rowsOf<{ id: string }>(
      database,
      `SELECT found.entry_id AS id FROM entry_search AS found WHERE ${conditions.map(([sql]) => sql).join(' AND ')} ORDER BY found.entry_date DESC, found.entry_id DESC LIMIT ?`,
      [...conditions.flatMap(([, ...values]) => values), most],
    );
    // Numbers, since an index of numbers is not looked into for texts.
    return rows.map(({ id }) => Number(id));
  };
  if (!mayBeRare) return find();
  const [days] = await rowsOf<{ middle: string | null }>(
    database,
    `SELECT first.entry_date + INTERVAL DATEDIFF(last.entry_date, first.entry_date) DIV 2 DAY AS middle
       FROM (SELECT entry_date FROM entry_search WHERE company_id = ? ORDER BY entry_date, entry_id LIMIT 1) AS first
       JOIN (SELECT entry_date FROM entry_search WHERE company_id = ? ORDER BY entry_date DESC, entry_id DESC LIMIT 1) AS last`,
    [companyId, companyId],
  );
  if (!days?.middle) return [];
  const halves = await Promise.all([find(['found.entry_date > ?', days.middle]), find(['found.entry_date <= ?', days.middle])]);
  return halves.flat().slice(0, most);
}

/** In the order given. */
async function tellEntries(database: DataSource, companyId: number, ids: readonly number[]): Promise<ListedEntry[]> {
  if (ids.length === 0) return [];
  const rows = await rowsOf<
    Omit<ListedEntry, 'id' | 'reversesEntryId' | 'amount' | 'lines' | 'isReversed' | 'about'> &
      Record<'id' | 'amount' | 'lines' | 'isReversed', string> & { reversesEntryId: string | null }
  >(
    database,
    `SELECT entry.id, entry.entry_date AS date, entry.document_number AS documentNumber, entry.description, entry.layer, entry.source,
            entry.closes_year AS closesYear, entry.reverses_entry_id AS reversesEntryId, entry.posted_by AS postedBy,
            (SELECT SUM(debit) FROM journal_line AS line WHERE line.company_id = entry.company_id AND line.entry_id = entry.id) AS amount,
            (SELECT COUNT(*) FROM journal_line AS line WHERE line.company_id = entry.company_id AND line.entry_id = entry.id) AS \`lines\`,
            reversal.id IS NOT NULL AS isReversed
       FROM journal_entry AS entry LEFT JOIN journal_entry AS reversal ON reversal.company_id = entry.company_id AND reversal.reverses_entry_id = entry.id
      WHERE entry.company_id = ? AND entry.id IN (${ids.map(() => '?').join(', ')})
      ORDER BY entry.entry_date DESC, entry.id DESC`,
    [companyId, ...ids],
  );
  const about = await aboutEntries(
    database,
    companyId,
    rows.filter(({ description }) => description === '').map(({ id }) => Number(id)),
  );
  return rows.map(
    (row): ListedEntry => ({
      ...row,
      id: Number(row.id),
      about: about.get(Number(row.id)) ?? '',
      reversesEntryId: row.reversesEntryId === null ? null : Number(row.reversesEntryId),
      amount: BigInt(row.amount),
      lines: Number(row.lines),
      isReversed: Number(row.isReversed) === 1,
    }),
  );
}

async function aboutEntries(database: DataSource, companyId: number, ids: readonly number[]): Promise<ReadonlyMap<number, string>> {
  const about = new Map<number, string>();
  if (ids.length === 0) return about;
  const lines = await rowsOf<{ entryId: string; line: number; text: string; name: string }>(
    database,
    `SELECT line.entry_id AS entryId, line.line_number AS line, line.text, account.name
       FROM journal_line AS line JOIN account ON account.company_id = line.company_id AND account.id = line.account_id
      WHERE line.company_id = ? AND line.entry_id IN (${ids.map(() => '?').join(', ')}) AND (line.line_number <= ${accountsTold} OR line.text <> '')
        AND line.line_number <= ${linesLookedAt}
      ORDER BY line.entry_id, line.line_number`,
    [companyId, ...ids],
  );
  const byEntry = new Map<number, (typeof lines)[number][]>();
  for (const line of lines) byEntry.set(Number(line.entryId), [...(byEntry.get(Number(line.entryId)) ?? []), line]);
  for (const [id, own] of byEntry) {
    const names = [...new Set(own.filter(({ line }) => line <= accountsTold).map(({ name }) => name))];
    about.set(id, own.find(({ text }) => text !== '')?.text ?? names.join(', '));
  }
  return about;
}

const accountsTold = 2;
/** An entry of thousands of lines is not read through for a text. */
const linesLookedAt = 20;

/** What is sought by one field: words, a document's number, an amount; any of them is enough. */
async function soughtIn(database: DataSource, companyId: number, text: string | null, amount: bigint | null): Promise<Condition | null> {
  const ways: Condition[] = [];
  if (text !== null) {
    const patterns = wordPatterns(text);
    if (patterns.length > 0) ways.push([`(${patterns.map(() => 'found.texts LIKE ?').join(' AND ')})`, ...patterns]);
    const numbered = await rowsOf<{ id: string }>(database, 'SELECT id FROM journal_entry WHERE company_id = ? AND document_number = ?', [
      companyId,
      text.trim(),
    ]);
    if (numbered.length > 0) ways.push([`found.entry_id IN (${numbered.map(() => '?').join(', ')})`, ...numbered.map(({ id }) => Number(id))]);
  }
  if (amount !== null) ways.push(['found.marks LIKE ?', amountPattern(amount)]);
  if (ways.length === 0) return text === null || text.trim() === '' ? null : ['FALSE'];
  return [`(${ways.map(([sql]) => sql).join(' OR ')})`, ...ways.flatMap(([, ...values]) => values)];
}
