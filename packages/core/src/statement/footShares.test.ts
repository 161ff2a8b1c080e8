import { describe, expect, it } from 'vitest';
import { footShares } from './footShares.ts';
import type { StatementColumn, StatementRow } from './statement.ts';
import { span } from './statementsOf.fixture.ts';

const columns: readonly StatementColumn[] = [
  { kind: 'amount', measure: 'movement', span },
  { kind: 'share', of: 0, line: 'total', format: { decimals: 0 } },
];
const row = (key: string, amount: bigint, share: bigint, parts: StatementRow['parts'] = []): StatementRow => ({
  ...{ key, lineKey: key, accountId: null, caption: key, depth: 0, opens: false, open: false, role: 'line' },
  values: [amount, share],
  parts,
});
const shares = (rows: readonly StatementRow[], whole: bigint) => footShares(rows, columns, () => whole).map(({ values }) => Number(values[1]));

describe('shares of one total', () => {
  it('of three equal parts foot to 100 as 34, 33, 33 (largest remainder)', () => {
    const parts = ['a', 'b', 'c'].map((key) => ({ key, sign: 1 as const }));
    expect(shares([row('a', 1n, 33n), row('b', 1n, 33n), row('c', 1n, 33n), row('total', 3n, 100n, parts)], 3n)).toEqual([34, 33, 33, 100]);
  });

  it('of a negative total, and of what stands outside it', () => {
    const parts = ['a', 'b'].map((key) => ({ key, sign: 1 as const }));
    expect(shares([row('a', -1n, 33n), row('b', -2n, 67n), row('total', -3n, 100n, parts), row('other', 6n, -200n)], -3n)).toEqual([33, 67, 100, -200]);
  });
});
