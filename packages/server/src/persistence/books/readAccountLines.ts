import type { SelectedSets } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { AccountLineRecord, LedgerStore, LinesWanted } from '../../application/ports/index.ts';
import { rowsOf } from '../database/index.ts';
import { facetsOfLines, noFacets } from './facetSets.ts';

const notOpening =
  'AND NOT (line.entry_date = ? AND EXISTS (SELECT 1 FROM journal_entry AS opening WHERE opening.company_id = line.company_id AND opening.id = line.entry_id AND opening.opening = 1))';

/** Lines of an account page by page, with what of the first day stands on the pages before. */
export async function readAccountLines(database: DataSource, companyId: number, wanted: LinesWanted): ReturnType<LedgerStore['accountLines']> {
  const selected = conditionOf(wanted.selected, 'line.facet_set_id');
  const ofLayer = wanted.layer === null ? [] : [wanted.layer];
  const where = `line.company_id = ? AND line.account_id = ? AND line.entry_date BETWEEN ? AND ? ${ofLayer.map(() => 'AND line.layer = ?').join('')} ${selected.sql} ${wanted.openedOn ? notOpening : ''}`;
  const opened = wanted.openedOn ? [wanted.openedOn] : [];
  const parameters = [companyId, wanted.accountId, wanted.from ?? '0001-01-01', wanted.to ?? '9999-12-31', ...ofLayer, ...selected.parameters, ...opened];
  const [count] = await rowsOf<{ total: string }>(database, `SELECT COUNT(*) AS total FROM journal_line AS line WHERE ${where}`, parameters);
  const size = 'GREATEST(line.debit, line.credit)';
  const sortKey = wanted.sort === 'size' ? size : 'line.entry_date';
  const cursor = wanted.after === null ? [] : wanted.after.split('_');
  const beyond = cursor.length === 3 ? `AND (${sortKey}, line.entry_id, line.line_number) < (?, ?, ?)` : '';
  const rows = await rowsOf<
    Omit<AccountLineRecord, 'debit' | 'credit' | 'entryId' | 'facets'> & {
      entryId: string;
      debit: string;
      credit: string;
      sortKey: string;
      facetSetId: number;
    }
  >(
    database,
    `SELECT line.entry_id AS entryId, line.line_number AS lineNumber, line.entry_date AS date, entry.document_number AS documentNumber, entry.description, line.layer, entry.closes_year AS closesYear, line.debit, line.credit, line.text, line.facet_set_id AS facetSetId, ${sortKey} AS sortKey
       FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id
      WHERE ${where} ${beyond} ORDER BY ${sortKey} DESC, line.entry_id DESC, line.line_number DESC LIMIT ?`,
    [...parameters, ...(cursor.length === 3 ? cursor : []), wanted.limit + 1],
  );
  const page = rows.slice(0, wanted.limit);
  const last = page.at(-1);
  const facetsOf = await facetsOfLines(
    database,
    companyId,
    page.map(({ facetSetId }) => facetSetId),
  );
  const [first] = page;
  const later = conditionOf(wanted.selected, 'facet_set_id');
  const [laterSum] =
    first && cursor.length === 3 && wanted.sort === 'date'
      ? await rowsOf<{ net: string | null }>(
          database,
          `SELECT SUM(debit) - SUM(credit) AS net FROM journal_line
            WHERE company_id = ? AND account_id = ? AND entry_date = ? AND (entry_id, line_number) > (?, ?) AND closing = 0 ${ofLayer.map(() => 'AND layer = ?').join('')} ${later.sql}`,
          [companyId, wanted.accountId, first.date, first.entryId, first.lineNumber, ...ofLayer, ...later.parameters],
        )
      : [];
  return {
    laterThatDay: BigInt(laterSum?.net ?? 0),
    lines: page.map(({ sortKey: _, facetSetId, ...row }) => ({
      ...row,
      entryId: Number(row.entryId),
      debit: BigInt(row.debit),
      credit: BigInt(row.credit),
      facets: facetsOf(facetSetId),
    })),
    total: Number(count?.total ?? 0),
    next: rows.length > wanted.limit && last ? `${last.sortKey}_${last.entryId}_${last.lineNumber}` : null,
  };
}

/** That a line is of the selected sets; a company without any value selects lines of set 0 alone. */
export function conditionOf(selected: SelectedSets | null, column: string): { sql: string; parameters: readonly number[] } {
  if (selected === null) return { sql: '', parameters: [] };
  const ids = [...selected.ids, ...(selected.withoutAny ? [noFacets] : [])];
  return ids.length === 0 ? { sql: 'AND FALSE', parameters: [] } : { sql: `AND ${column} IN (${ids.map(() => '?').join(', ')})`, parameters: ids };
}
