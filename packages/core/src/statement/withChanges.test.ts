import { describe, expect, it } from 'vitest';
import { readFormula } from '../formula/readFormula.ts';
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

/** Over the second and the fourth column, called `now` and `before`. */
function calculating(text: string, result: 'amount' | 'ratio' | 'percent'): StatementColumn {
  const formula = readFormula(text);
  if (!formula.ok) throw new Error(text);
  return {
    kind: 'calculation',
    formula: formula.value,
    text,
    result,
    days: 273,
    operands: new Map([
      ['now', 0],
      ['before', 1],
    ]),
  };
}

describe('a calculation over columns', () => {
  const over = (text: string, result: 'amount' | 'ratio' | 'percent', amounts: readonly (bigint | null)[], exponent = 2, isAmount = true) =>
    withChanges([amount, amount, calculating(text, result)], amounts, isAmount, () => null, exponent).at(-1);

  it('is reckoned in the currency and rounded once: an amount to the minor unit, a ratio to hundredths, a percent to tenths', () => {
    expect(over('(now + before) / 2', 'amount', [101n, 200n])).toBe(151n);
    expect(over('now + 10', 'amount', [101n, 0n])).toBe(1101n);
    expect(over('now + 10', 'amount', [101n, 0n], 0)).toBe(111n);
    expect(over('now / before', 'ratio', [200n, 300n])).toBe(67n);
    expect(over('now / before', 'percent', [200n, 300n])).toBe(667n);
    expect(over('now / days', 'amount', [27_300n, 0n])).toBe(100n);
    expect(over('sum(now to before)', 'amount', [-5n, 3n])).toBe(-2n);
  });

  it('has no value where it divides by nothing, an operand is missing, or the row is no amount', () => {
    expect([over('now / before', 'ratio', [200n, 0n]), over('now / before', 'ratio', [null, 3n]), over('now', 'amount', [1n, 1n], 2, false)]).toEqual([
      null,
      null,
      null,
    ]);
  });
});

describe('what stands between amounts', () => {
  it('is made of the columns that it names, wherever they stand', () => {
    // 150 less 120 is 30, a quarter of 120, and 150 is three fifths of 250.
    expect(withChanges(columns, [150n, 120n], true, ofRevenue(250n), 2)).toEqual([250n, 150n, null, 120n, 30n, 600n]);
  });

  it('goes by the size of what is taken off, so that more expense is more', () => {
    expect(withChanges(columns, [-150n, -120n], true, ofRevenue(-250n), 2).map((value) => value?.toString())).toEqual([
      '-250',
      '-150',
      undefined,
      '-120',
      '-30',
      '600',
    ]);
  });

  it('is nothing where an amount is missing, where what it is a part of is nil, and of what is no amount', () => {
    expect(withChanges(columns, [150n, null], true, ofRevenue(0n), 2)).toEqual([null, 150n, null, null, null, null]);
    expect(withChanges(columns, [150n, 0n], true, ofRevenue(null), 2)).toEqual([null, 150n, null, 0n, 150n, null]);
    expect(withChanges(columns, [150n, 120n], false, ofRevenue(250n), 2)).toEqual([null, 150n, null, 120n, 30n, null]);
  });

  it('has no percent where nothing changed', () => {
    const both: StatementColumn[] = [amount, amount, { kind: 'change', of: 0, against: 1 }, { kind: 'percent', of: 0, against: 1 }];
    expect(withChanges(both, [150n, 150n], true, () => null, 2)).toEqual([150n, 150n, 0n, null]);
  });
});
