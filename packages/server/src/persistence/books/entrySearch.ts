import type { Day, Layer } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Actor } from '../../application/ports/index.ts';
import { rowsOf, type Statement } from '../database/index.ts';

/** Before an amount in minor units, before an account's id, and behind either. */
const amountMark = '\u0001';
const accountMark = '\u0002';
const end = '\u0003';

const columns = 'company_id, entry_date, entry_id, layer, source, series_id, posted_by, texts, marks';

/** Texts as bytes, so that two that differ by an accent are two. */
const texts = "CONVERT(GROUP_CONCAT(DISTINCT NULLIF(CAST(line.text AS BINARY), '') ORDER BY 1 SEPARATOR '\n') USING utf8mb4)";

/** Of entries with their lines: texts in lower case; each amount and each account once, in the order of `searchRows`. */
const sought = `SELECT entry.company_id, entry.entry_date, entry.id AS entry_id, entry.layer, entry.source, entry.series_id, entry.posted_by,
         LOWER(CONCAT_WS('\n', entry.description, entry.origin_document, ${texts})) AS texts,
         CONCAT(GROUP_CONCAT(DISTINCT '${amountMark}', line.debit + line.credit, '${end}' ORDER BY line.debit + line.credit SEPARATOR ''),
                GROUP_CONCAT(DISTINCT '${accountMark}', line.account_id, '${end}' ORDER BY line.account_id SEPARATOR '')) AS marks
    FROM journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id`;

interface Sought {
  readonly id: number;
  readonly date: Day;
  readonly layer: Layer;
  readonly source: string;
  readonly description: string;
  readonly seriesId?: number;
  readonly lines: readonly { readonly accountId: number; readonly debit: bigint; readonly credit: bigint; readonly text: string }[];
}

/** The same rows of entries that are at hand: a posting spares the database the sorting. */
export function searchRows(companyId: number, actor: Actor, entries: readonly Sought[]): Statement[] {
  const rows = entries.map(({ id, date, layer, source, seriesId = 0, description, lines }) => {
    const said = [...new Set(lines.map(({ text }) => text).filter((text) => text !== ''))].map((text) => Buffer.from(text)).sort(Buffer.compare);
    const amounts = [...new Set(lines.map(({ debit, credit }) => debit + credit))].sort((a, b) => (a < b ? -1 : 1));
    const accounts = [...new Set(lines.map(({ accountId }) => accountId))].sort((a, b) => a - b);
    const marked = `${amounts.map((amount) => `${amountMark}${amount}${end}`).join('')}${accounts.map((account) => `${accountMark}${account}${end}`).join('')}`;
    return [companyId, date, id, layer, source, seriesId, actor.name, [description, '', ...(said.length > 0 ? [said.join('\n')] : [])].join('\n'), marked];
  });
  return rows.map((parameters) => ({
    sql: `INSERT INTO entry_search (${columns}) VALUES (?, ?, ?, ?, ?, ?, ?, LOWER(?), ?)`,
    parameters,
  }));
}

/**
 * Makes the rows of `entry_search` for some entries: what each is sought by, in the order that entries are listed in. It is
 * derived like the balances, written with the lines and made anew from them. `where` is about `entry`.
 */
export function insertSearch(where: string): string {
  return `INSERT INTO entry_search (${columns}) ${sought} WHERE ${where} GROUP BY entry.company_id, entry.id`;
}

/** Patterns of LIKE for what stands in `marks`. */
export function amountPattern(amount: bigint): string {
  return `%${amountMark}${amount}${end}%`;
}

export function accountPattern(accountId: number): string {
  return `%${accountMark}${accountId}${end}%`;
}

/** Of `texts`: one for each word; all of them must stand somewhere in the entry. */
export function wordPatterns(text: string): string[] {
  const words = text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  return words.map((word) => `%${escaped(word)}%`);
}

/** A text as LIKE takes it literally. */
export function escaped(text: string): string {
  return text.replaceAll(/[\\%_]/g, '\\$&');
}

/** How many entries have a row that is not what their lines say, or none. */
export async function countUnsearchable(database: DataSource, companyId: number): Promise<number> {
  const [row] = await rowsOf<{ wrong: string }>(
    database,
    `SELECT COUNT(*) AS wrong FROM (${sought} WHERE entry.company_id = ? GROUP BY entry.company_id, entry.id) AS made
      WHERE NOT EXISTS (SELECT 1 FROM entry_search AS kept
               WHERE kept.company_id = made.company_id AND kept.entry_date = made.entry_date AND kept.entry_id = made.entry_id AND kept.texts = CAST(made.texts AS BINARY) AND kept.marks = CAST(made.marks AS BINARY))`,
    [companyId],
  );
  return Number(row?.wrong);
}
