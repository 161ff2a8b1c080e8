import type { DocumentColumn, DrawnRow } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { withClosingCash } from './closingCash.ts';

const row = (key: string, values: readonly (bigint | null)[], parts: DrawnRow['parts'] = []): DrawnRow => ({
  key,
  lineKey: key,
  accountId: null,
  role: 'line',
  caption: key,
  depth: 0,
  opens: false,
  open: false,
  values,
  exact: values,
  parts,
  isReversed: false,
});
const columns = [{ kind: 'amount' }, { kind: 'amount' }, { kind: 'change' }] as unknown as DocumentColumn[];
const flow = (closing: readonly (bigint | null)[], rates: readonly bigint[] | null = null) => [
  row('net_change', [30n, 20n, 10n]),
  row('cash_opening', [120n, 100n, 20n]),
  ...(rates ? [row('cash_exchange', rates)] : []),
  row('cash_closing', closing),
];
const partsOf = (rows: readonly DrawnRow[]) =>
  withClosingCash(rows, columns)
    .at(-1)
    ?.parts.map(({ key }) => key);

describe('cash at the end in a workbook', () => {
  it('is what there was with its change, and with what rates did to it where that has a row', () => {
    expect(partsOf(flow([150n, 120n, 30n]))).toEqual(['cash_opening', 'net_change']);
    expect(partsOf(flow([145n, 121n, 24n], [-5n, 1n, -6n]))).toEqual(['cash_opening', 'net_change', 'cash_exchange']);
  });

  it('stays an amount where it is not explained in some column, or nothing is known of it', () => {
    expect(partsOf(flow([150n, 121n, 29n]))).toEqual([]);
    expect(partsOf(flow([150n, null, null]))).toEqual([]);
    expect(partsOf([row('cash_opening', [1n, 1n, 0n]), row('cash_closing', [1n, 1n, 0n])])).toEqual([]);
  });

  it('is left as it is where it adds up otherwise, and with it every other row', () => {
    const rows = [...flow([150n, 120n, 30n]).slice(0, 2), row('cash_closing', [150n, 120n, 30n], [{ key: 'cash_opening', sign: 1 }])];
    expect(withClosingCash(rows, columns)).toBe(rows);
    const added = withClosingCash(flow([150n, 120n, 30n]), columns);
    expect(added.slice(0, 2)).toEqual(flow([150n, 120n, 30n]).slice(0, 2));
  });
});
