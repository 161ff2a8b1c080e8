import type { Day, Layer, LineOfSet, LinesOfSets, Position } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Books } from '../../application/ports/index.ts';
import { rowsOf } from '../database/index.ts';
import { readOverlaps } from './broughtInOverlaps.ts';
import { noFacets } from './facetSets.ts';

/** Ordinary lines with facet values up to each position from the first day of its period, by account and set, up to the revision of the books. */
export async function readLinesOfSets(database: DataSource, books: Books, positions: readonly Position[]): Promise<LinesOfSets> {
  const found = new Map<Day, readonly LineOfSet[]>();
  for (const { day, partialFrom } of positions)
    if (partialFrom !== null && !found.has(day)) found.set(day, await readWithin(database, books, partialFrom, day));
  return ({ day }) => found.get(day) ?? [];
}

async function readWithin(database: DataSource, books: Books, from: Day, until: Day): Promise<LineOfSet[]> {
  const { company, cube } = books;
  const rows = await rowsOf<{ accountId: number; facetSetId: number; layer: Layer; debit: string; credit: string }>(
    database,
    `SELECT line.account_id AS accountId, line.facet_set_id AS facetSetId, line.layer, SUM(line.debit) AS debit, SUM(line.credit) AS credit
       FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id
      WHERE line.company_id = ? AND line.entry_date BETWEEN ? AND ? AND line.closing = 0 AND line.facet_set_id <> ${noFacets} AND entry.revision <= ?
      GROUP BY line.layer, line.account_id, line.facet_set_id`,
    [company.id, from, until, cube.revision],
  );
  const lines = rows.map(({ accountId, facetSetId, layer, debit, credit }) => ({
    account: cube.indexOf.get(accountId) as number,
    facetSetId: Number(facetSetId),
    layer,
    debit: BigInt(debit),
    credit: BigInt(credit),
  }));
  const lineOf = new Map(lines.map((line) => [`${line.account} ${line.facetSetId} ${line.layer}`, line]));
  for (const { accountId, facetSetId, layer, amount } of await readOverlaps(database, { company, selected: null }, from, until, cube.revision)) {
    const line = lineOf.get(`${cube.indexOf.get(accountId)} ${Number(facetSetId)} ${layer}`);
    // Lines without facet values meet on a day too, and are not among these.
    if (!line) continue;
    line.debit -= amount;
    line.credit -= amount;
  }
  return lines;
}
