import type { FacetBalanceRow, FiscalCalendar, Layer, Origin } from '@ivory-ladder/core';
import { broughtInEntry } from './derivedBalances.ts';

/** What trial balances brought stands apart in the tables: it is netted by day, and counts with the ordinary lines. */
type StoredOrigin = Origin | 'trial_balance';

/** A balance as it is stored, or a posted line in its shape; debit and credit are decimal text of minor units. */
export interface StoredBalance {
  readonly accountId: number;
  /** Where balances of facets are read. */
  readonly facetSetId?: number;
  readonly layer: Layer;
  readonly origin: StoredOrigin;
  readonly year: number;
  readonly period: number;
  readonly debit: string;
  readonly credit: string;
}

/** A line of an entry since a revision; `closesYear` is the year that its entry closes. */
export interface PostedBalance extends StoredBalance {
  readonly closesYear: number | null;
  readonly opening: number;
}

const originOf = `CASE WHEN entry.closes_year IS NOT NULL THEN 'closing' WHEN ${broughtInEntry} THEN 'trial_balance' ELSE 'ordinary' END`;

/** The columns of a `PostedBalance`, read from `journal_entry AS entry` and `journal_line AS line`. */
export const postedColumns = `line.account_id AS accountId, line.layer, ${originOf} AS origin,
  entry.year, entry.period, entry.closes_year AS closesYear, entry.opening, line.debit, line.credit`;

/** Rows by the calendar's own index of periods; a period that it does not know is -1, and a balance without facets has the set 0. */
export function balancesIn(calendar: FiscalCalendar, rows: readonly StoredBalance[]): FacetBalanceRow[] {
  const periodIndex = new Map(calendar.periods.map((period, index) => [period.year * 100 + period.number, index]));
  // Field by field: what copies the rest of each row takes ten times as long, a second for 70,000 balances.
  return rows.map((row) => ({
    accountId: row.accountId,
    facetSetId: row.facetSetId ?? 0,
    layer: row.layer,
    origin: row.origin === 'trial_balance' ? 'ordinary' : row.origin,
    periodIndex: periodIndex.get(row.year * 100 + row.period) ?? -1,
    debit: BigInt(row.debit),
    credit: BigInt(row.credit),
  }));
}

/** Whether a trial balance or an opening is among what was posted: lines alone do not say then what balances have become. */
export function mustBeReadAnew(rows: readonly PostedBalance[]): boolean {
  return rows.some(({ origin, opening }) => origin === 'trial_balance' || opening === 1);
}

/** Posted lines as balances, none of them of a trial balance; a closing entry counts in the last period of the year that it closes. */
export function postedIn(calendar: FiscalCalendar, rows: readonly PostedBalance[]): FacetBalanceRow[] {
  const lastOf = new Map(calendar.years.map((year) => [year.year, year.periods.at(-1)?.number]));
  const counted = rows.map((row) => (row.closesYear === null ? row : { ...row, year: row.closesYear, period: lastOf.get(row.closesYear) ?? row.period }));
  return balancesIn(calendar, counted);
}
