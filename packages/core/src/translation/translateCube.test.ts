import { describe, expect, it } from 'vitest';
import { layers } from '../cube/layer.ts';
import { balanceAt, movementOver } from '../cube/vector.ts';
import { explainDifference } from './explainDifference.ts';
import {
  averages,
  capital,
  cash,
  given,
  type Posting,
  rate,
  exampleRates as rates,
  receivable,
  retained,
  sales,
  traits,
  translated,
} from './translatedLedger.fixture.ts';

/** Own computation by IAS 21.39 and 21.41: capital 100 at 1.00; profit 50 at 1.10, closing 1.20; dividend 20 at 1.30, profit 30 at 1.40, closing 1.50. */
const postings: readonly Posting[] = [
  { day: '2024-01-01', debit: cash, credit: capital, amount: 100_00n },
  { day: '2024-06-30', debit: cash, credit: sales, amount: 50_00n },
  { day: '2025-05-10', debit: retained, credit: cash, amount: 20_00n },
  { day: '2025-08-31', debit: cash, credit: sales, amount: 30_00n },
];
const closings: readonly (readonly [string, readonly Posting[]])[] = [
  ['without a closing entry', []],
  ['with one', [{ day: '2024-12-31', debit: sales, credit: retained, amount: 50_00n, closes: 2024 }]],
  ['with one posted in half', [{ day: '2025-01-01', debit: sales, credit: retained, amount: 25_00n, closes: 2024 }]],
];

describe('a company with one asset (own computation by IAS 21.39 and 21.41)', () => {
  it.each(closings)('has its difference in equity, %s', (_, closing) => {
    const { cube, missing } = translated(given([...postings, ...closing], rates));
    expect(missing).toEqual([]);
    const first = balanceAt(cube, traits, layers, '2024-12-31').net;
    // Net assets 150 × 1.20; capital 100, profit 55, so a difference of 25.
    expect([...first]).toEqual([180_00n, 0n, 0n, -100_00n, 0n, -55_00n, 0n, -25_00n]);
    const second = balanceAt(cube, traits, layers, '2025-12-31').net;
    expect([...second]).toEqual([240_00n, 0n, 0n, -100_00n, -29_00n, -42_00n, 0n, -69_00n]);
  });

  it('explains what the difference moved by', () => {
    const explained = explainDifference(given(postings, rates), { firstDay: '2025-01-01', lastDay: '2025-12-31' }, () => undefined);
    expect(explained).toMatchObject({ ofNetAssets: 45_00n, ofProfit: 3_00n, ofEquity: -4_00n, total: 44_00n });
    const from = explainDifference(given(postings, rates), { firstDay: '2024-01-01', lastDay: '2024-12-31' }, () => undefined);
    expect(from).toMatchObject({ ofNetAssets: 0n, ofProfit: 5_00n, ofEquity: 20_00n, total: 25_00n });
  });

  it('names what is missing and leaves it nil', () => {
    const { cube, missing } = translated(given(postings, [rate('closing', '2024-12-31', '1.20'), ...averages(2024, '1.10')]));
    expect(missing).toEqual([
      { kind: 'closing', day: '2024-01-01' },
      { kind: 'average', day: '2025-08-01' },
    ]);
    expect(balanceAt(cube, traits, layers, '2024-12-31').net[3]).toBe(0n);
  });

  it('moves a flow at average rates, cash at closing ones, and leaves the rest to the exchange rates (IAS 7.28)', () => {
    const isFlow = [false, true, true, false, false, false, false];
    const lent: Posting = { day: '2025-08-31', debit: receivable, credit: cash, amount: 10_00n };
    const { cube } = translated(given([...postings, lent], rates, { isFlow }));
    const moved = movementOver(cube, layers, { firstDay: '2025-01-01', lastDay: '2025-12-31' });
    // Cash 150 × 1.20 to 150 × 1.50; lent 10 × 1.40; dividend 26; sales 42.
    expect([...moved]).toEqual([45_00n, 14_00n, 0n, 0n, 26_00n, -42_00n, 0n, -43_00n]);
  });
});
