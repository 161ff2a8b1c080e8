import type { FiscalCalendar, Layer, Origin } from '@ivory-ladder/core';

/** A balance as it is stored, or a posted line in its shape; debit and credit are decimal text of minor units. */
export interface StoredBalance {
  readonly accountId: number;
  readonly layer: Layer;
  readonly origin: Origin;
  readonly year: number;
  readonly period: number;
  readonly debit: string;
  readonly credit: string;
}

/** A line of an entry since a revision; `closesYear` is the year that its entry closes. */
export type PostedBalance<Stored extends StoredBalance> = Stored & { readonly closesYear: number | null };

/** The columns of a `PostedBalance`, read from `journal_entry AS entry` and `journal_line AS line`. */
export const postedColumns = `line.account_id AS accountId, line.layer, IF(entry.closes_year IS NULL, 'ordinary', 'closing') AS origin,
  entry.year, entry.period, entry.closes_year AS closesYear, line.debit, line.credit`;

/** Rows by the calendar's own index of periods; a period that it does not know is -1. */
export function balancesIn<Stored extends StoredBalance>(calendar: FiscalCalendar, rows: readonly Stored[]) {
  const periodIndex = new Map(calendar.periods.map((period, index) => [period.year * 100 + period.number, index]));
  return rows.map(({ year, period, debit, credit, ...row }) => ({
    ...row,
    periodIndex: periodIndex.get(year * 100 + period) ?? -1,
    debit: BigInt(debit),
    credit: BigInt(credit),
  }));
}

/** Posted lines as balances; a closing entry counts in the last period of the year that it closes. */
export function postedIn<Stored extends StoredBalance>(calendar: FiscalCalendar, rows: readonly PostedBalance<Stored>[]) {
  const lastOf = new Map(calendar.years.map((year) => [year.year, year.periods.at(-1)?.number]));
  const counted = rows.map((row) => (row.closesYear === null ? row : { ...row, year: row.closesYear, period: lastOf.get(row.closesYear) ?? row.period }));
  return balancesIn(calendar, counted);
}
