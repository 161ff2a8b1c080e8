import { describe, expect, it } from 'vitest';
import { layers } from '../cube/layer.ts';
import { balanceAt } from '../cube/vector.ts';
import {
  capital,
  cash,
  given,
  loan,
  type Posting,
  partsOf,
  exampleRates as rates,
  receivable,
  retained,
  sales,
  traits,
  wages,
} from './translatedLedger.fixture.ts';

describe('parts of a ledger in another currency', () => {
  it('have the exact shares of each account, and one unit that is left over where it is lost most (own computation)', () => {
    const third = (set: number): Posting => ({ day: '2024-06-30', debit: cash, credit: sales, amount: 1n, sets: [set, set] });
    const postings = [third(1), third(2), third(3), third(0)];
    const { of, whole } = partsOf(given(postings, rates), postings);
    const held = (cube: typeof whole.cube) => balanceAt(cube, traits, layers, '2024-12-31').net[cash - 1];
    // 0.04 × 1.20 = 0.048, rounded 0.05: four exact parts of 0.012, of which one gets the cent that is left.
    expect([held(whole.cube), ...[1, 2, 3, 0].map((set) => held(of(set).cube))]).toEqual([5n, 2n, 1n, 1n, 1n]);
  });

  it('balance where their lines do, each with its own difference (own computation by IAS 21.39 and 21.41)', () => {
    // One branch is the company of the worked translation, the other has a loan against a receivable.
    const branch = [1, 1] as const;
    const other = [2, 2] as const;
    const postings: readonly Posting[] = [
      { day: '2024-01-01', debit: cash, credit: capital, amount: 100_00n, sets: branch },
      { day: '2024-06-30', debit: cash, credit: sales, amount: 50_00n, sets: branch },
      { day: '2024-07-31', debit: receivable, credit: loan, amount: 70_00n, sets: other },
      { day: '2025-05-10', debit: retained, credit: cash, amount: 20_00n, sets: branch },
      { day: '2025-08-31', debit: cash, credit: sales, amount: 30_00n, sets: branch },
      { day: '2024-12-31', debit: sales, credit: retained, amount: 50_00n, closes: 2024, sets: branch },
    ];
    const { of } = partsOf(given(postings, rates), postings);
    expect([...balanceAt(of(1).cube, traits, layers, '2025-12-31').net]).toEqual([240_00n, 0n, 0n, -100_00n, -29_00n, -42_00n, 0n, -69_00n]);
    expect([...balanceAt(of(2).cube, traits, layers, '2025-12-31').net]).toEqual([0n, 105_00n, -105_00n, 0n, 0n, 0n, 0n, 0n]);
    expect([...balanceAt(of(0).cube, traits, layers, '2025-12-31').net]).toEqual([0n, 0n, 0n, 0n, 0n, 0n, 0n, 0n]);
  });

  it('have a difference of what their own accounts were translated by, where expenses alone bear values', () => {
    const postings: readonly Posting[] = [{ day: '2024-06-30', debit: wages, credit: cash, amount: 10_00n, sets: [1, 0] }];
    const { of } = partsOf(given(postings, rates), postings);
    // 10 at the average of 1.10, out of balance by 10 at the closing rate of 1.20.
    expect([...balanceAt(of(1).cube, traits, layers, '2024-12-31').net]).toEqual([0n, 0n, 0n, 0n, 0n, 0n, 11_00n, 1_00n]);
    expect([...balanceAt(of(0).cube, traits, layers, '2024-12-31').net]).toEqual([-12_00n, 0n, 0n, 0n, 0n, 0n, 0n, 0n]);
  });
});
