import type { DocumentColumn, DrawnRow } from '@ivory-ladder/core';

/** Keys of the lines that a cash flow ends with, as it is begun. */
const [netChange, opening, exchange, closing] = ['net_change', 'cash_opening', 'cash_exchange', 'cash_closing'] as const;

/**
 * The rows of a cash flow, in which cash at the end is cash at the beginning with its change and what rates did to it (IAS 7.45), so that a sheet
 * can add it up. Only where it does so in every column: a cash flow that does not explain its cash must not look as if it did.
 */
export function withClosingCash(rows: readonly DrawnRow[], columns: readonly DocumentColumn[]): readonly DrawnRow[] {
  const rowOf = (key: string) => rows.find((row) => row.key === key);
  const [end, begin, change, rates] = [rowOf(closing), rowOf(opening), rowOf(netChange), rowOf(exchange)];
  if (!end || !begin || !change || end.parts.length > 0) return rows;
  const terms = [begin, change, ...(rates ? [rates] : [])];
  const ties = columns.every(({ kind }, at) => {
    if (kind !== 'amount') return true;
    const values = terms.map((row) => row.values[at] ?? null);
    return values.every((value) => value !== null) && values.reduce<bigint>((sum, value) => sum + (value ?? 0n), 0n) === end.values[at];
  });
  if (!ties) return rows;
  const parts = terms.map(({ key }) => ({ key, sign: 1 as const }));
  return rows.map((row) => (row === end ? { ...row, parts } : row));
}
