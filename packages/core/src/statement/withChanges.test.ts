import { describe, expect, it } from 'vitest';
import type { StatementColumn } from './statement.ts';
import { span } from './statementsOf.fixture.ts';
import { withChanges } from './withChanges.ts';

const amount: StatementColumn = { kind: 'amount', measure: 'movement', span };
const columns: StatementColumn[] = [
  { kind: 'percent', of: 1, against: 3 },
  amount,
  { kind: 'text' },
  amount,
  { kind: 'change', of: 1, against: 3 },
  { kind: 'share', of: 1, line: 'revenue' },
];
const ofRevenue = (whole: bigint | null) => (line: string, column: number) => (line === 'revenue' && column === 1 ? whole : 7n);

describe('what stands between amounts', () => {
  it('is made of the columns that it names, wherever they stand', () => {
    // 150 less 120 is 30, a quarter of 120, and 150 is three fifths of 250.
    expect(withChanges(columns, [150n, 120n], true, ofRevenue(250n))).toEqual([250n, 150n, null, 120n, 30n, 600n]);
  });

  it('goes by the size of what is taken off, so that more expense is more', () => {
    expect(withChanges(columns, [-150n, -120n], true, ofRevenue(-250n)).map((value) => value?.toString())).toEqual([
      '-250',
      '-150',
      undefined,
      '-120',
      '-30',
      '600',
    ]);
  });

  it('is nothing where an amount is missing, where what it is a part of is nil, and of what is no amount', () => {
    expect(withChanges(columns, [150n, null], true, ofRevenue(0n))).toEqual([null, 150n, null, null, null, null]);
    expect(withChanges(columns, [150n, 0n], true, ofRevenue(null))).toEqual([null, 150n, null, 0n, 150n, null]);
    expect(withChanges(columns, [150n, 120n], false, ofRevenue(250n))).toEqual([null, 150n, null, 120n, 30n, null]);
  });
});
