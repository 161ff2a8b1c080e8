import type { DataSource, QueryRunner } from 'typeorm';
import type { FacetFill, FacetFillFound } from '../../application/ports/index.ts';
import { noFacets, readFacetSets, rebuildTables } from '../books/index.ts';
import { changedRows, rowsOf } from '../database/index.ts';

/** Which lines a rule is about: of these accounts and days, without a value of the facet. */
async function linesOf(runner: QueryRunner | DataSource, companyId: number, { facet, accountIds, from, to }: FacetFill) {
  const sets = (await readFacetSets(runner, companyId)).filter(({ facets }) => facets[facet] === undefined);
  const ids = [noFacets, ...sets.map(({ id }) => id)];
  const marks = (values: readonly unknown[]) => values.map(() => '?').join(', ');
  return {
    sets,
    where: `company_id = ? AND account_id IN (${marks(accountIds)}) AND entry_date BETWEEN ? AND ? AND facet_set_id IN (${marks(ids)})`,
    parameters: [companyId, ...accountIds, from ?? '0001-01-01', to ?? '9999-12-31', ...ids],
  };
}

export async function findLinesToFill(database: DataSource, companyId: number, fill: FacetFill): Promise<FacetFillFound[]> {
  if (fill.accountIds.length === 0) return [];
  const { where, parameters } = await linesOf(database, companyId, fill);
  const rows = await rowsOf<{ accountId: number; total: string; net: string }>(
    database,
    `SELECT account_id AS accountId, COUNT(*) AS total, SUM(debit) - SUM(credit) AS net FROM journal_line WHERE ${where} GROUP BY account_id ORDER BY account_id`,
    parameters,
  );
  return rows.map(({ accountId, total, net }) => ({ accountId, lines: Number(total), net: BigInt(net) }));
}

/** Gives the lines their new sets and makes the balances by facet set anew; amounts stay as they are. Gives how many lines. */
export async function fillLines(runner: QueryRunner, companyId: number, fill: FacetFill, sets: ReadonlyMap<number, number>): Promise<number> {
  const { where, parameters } = await linesOf(runner, companyId, fill);
  const cases = [...sets].map(() => 'WHEN ? THEN ?').join(' ');
  const lines = await changedRows(runner, `UPDATE journal_line SET facet_set_id = CASE facet_set_id ${cases} ELSE facet_set_id END WHERE ${where}`, [
    ...[...sets].flat(),
    ...parameters,
  ]);
  if (lines > 0) await rebuildTables(runner, companyId);
  return lines;
}
