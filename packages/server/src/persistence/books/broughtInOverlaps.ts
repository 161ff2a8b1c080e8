import type { Day, Layer } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Books } from '../../application/ports/index.ts';
import { rowsOf } from '../database/index.ts';
import { broughtInEntry } from './derivedBalances.ts';
import { conditionOf } from './readAccountLines.ts';

/** What lines of trial balances have on both sides of an account on one day, with the same facet values. */
export interface BroughtInOverlap {
  readonly day: Day;
  readonly accountId: number;
  readonly facetSetId: number;
  readonly layer: Layer;
  /** To be taken off both sides, which leaves the net. */
  readonly amount: bigint;
}

/** Of the days from one to another, up to a revision where one is given; there are few, since files mostly come once and in order. */
export async function readOverlaps(
  runner: DataSource | QueryRunner,
  { company, selected }: Pick<Books, 'company' | 'selected'>,
  from: Day,
  until: Day,
  upTo: number | null,
): Promise<BroughtInOverlap[]> {
  const wanted = conditionOf(selected, 'line.facet_set_id');
  const rows = await rowsOf<Omit<BroughtInOverlap, 'amount'> & { readonly amount: string }>(
    runner,
    `SELECT line.entry_date AS day, line.account_id AS accountId, line.facet_set_id AS facetSetId, line.layer, LEAST(SUM(line.debit), SUM(line.credit)) AS amount
       FROM journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
      WHERE entry.company_id = ? AND ${broughtInEntry} AND entry.entry_date BETWEEN ? AND ? ${upTo === null ? '' : 'AND entry.revision <= ?'} ${wanted.sql}
      GROUP BY line.entry_date, line.account_id, line.facet_set_id, line.layer HAVING amount > 0`,
    [company.id, from, until, ...(upTo === null ? [] : [upTo]), ...wanted.parameters],
  );
  return rows.map((row) => ({ ...row, amount: BigInt(row.amount) }));
}
