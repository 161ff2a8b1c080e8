import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { minorUnitsIn } from './scale.ts';
import { footRows, roundRows } from './scaleRows.ts';
import type { RowPart, StatementColumn, StatementRow } from './statement.ts';
import { span } from './statementsOf.fixture.ts';

const amount: StatementColumn = { kind: 'amount', measure: 'closing', span };
const row = (key: string, values: readonly (bigint | null)[], parts: readonly RowPart[] = [], partsAreWithin = true): StatementRow => ({
  key,
  lineKey: key,
  accountId: null,
  role: parts.length > 0 ? 'total' : 'line',
  caption: key,
  depth: 0,
  opens: false,
  open: false,
  values,
  parts,
  ...(parts.length > 0 && partsAreWithin ? { partsAreWithin: true as const } : {}),
});
const part = (key: string, sign: 1 | -1 = 1): RowPart => ({ key, sign });
const shown = (rows: readonly StatementRow[]) => Object.fromEntries(rows.map(({ key, values }) => [key, values.length === 1 ? values[0] : values]));

describe('amounts in units of a scale', () => {
  it('are minor units of the currency (ISO 4217: JPY 0, EUR 2, BHD 3) times thousands', () => {
    expect([minorUnitsIn('units', 0), minorUnitsIn('thousands', 2), minorUnitsIn('millions', 3), minorUnitsIn('exact', 2)]).toEqual([
      1n,
      100_000n,
      1_000_000_000n,
      1n,
    ]);
  });

  it('are rounded half away from zero each by itself, so that a total need not be what is shown above it', () => {
    const rows = [row('a', [150n]), row('b', [150n]), row('c', [-250n]), row('all', [50n], [part('a'), part('b'), part('c')])];
    expect(shown(roundRows({ rows, columns: [amount], unit: { times: 1n, over: 100n } }))).toEqual({ a: 2n, b: 2n, c: -3n, all: 1n });
  });

  it('largest remainder: 1,000 in three equal parts is 334, 333, 333', () => {
    const rows = [row('a', [33_333n]), row('b', [33_333n]), row('c', [33_334n]), row('all', [100_000n], [part('a'), part('b'), part('c')])];
    expect(shown(footRows({ rows, columns: [amount], unit: { times: 1n, over: 100n } }))).toEqual({ a: 333n, b: 333n, c: 334n, all: 1000n });
    const equal = ['a', 'b', 'c'].map((key) => row(key, [1000n]));
    expect(
      shown(
        footRows({
          rows: [
            ...equal,
            row(
              'all',
              [3000n],
              ['a', 'b', 'c'].map((key) => part(key)),
            ),
          ],
          columns: [amount],
          unit: { times: 1n, over: 3n },
        }),
      ),
    ).toEqual({
      a: 334n,
      b: 333n,
      c: 333n,
      all: 1000n,
    });
  });

  it('are spread from the top down: what a total shows does not depend on what is shown below it', () => {
    const closed = [row('x', [149n]), row('y', [149n]), row('all', [298n], [part('x'), part('y')])];
    const opened = [row('x1', [75n]), row('x2', [74n]), row('x', [149n], [part('x1'), part('x2')]), ...closed.slice(1)];
    const [less, more] = [closed, opened].map((rows) => shown(footRows({ rows, columns: [amount], unit: { times: 1n, over: 100n } })));
    expect(less).toEqual({ x: 2n, y: 1n, all: 3n });
    expect(more).toEqual({ ...less, x1: 1n, x2: 1n });
  });

  it('stay in a total where another statement gives them: the others come to the rest', () => {
    const rows = [row('profit', [1040n]), row('a', [130n]), row('b', [130n]), row('all', [1300n], [part('profit'), part('a'), part('b')])];
    const given = (figure: bigint) => new Map([['profit', [{ shown: figure, exact: 1040n }]]]);
    expect(shown(footRows({ rows, columns: [amount], unit: { times: 1n, over: 100n } }))).toEqual({ profit: 11n, a: 1n, b: 1n, all: 13n });
    expect(shown(footRows({ rows, columns: [amount], unit: { times: 1n, over: 100n } }, given(10n)))).toEqual({ profit: 10n, a: 2n, b: 1n, all: 13n });
    // Of another amount, it is not taken.
    expect(shown(footRows({ rows, columns: [amount], unit: { times: 1n, over: 100n } }, new Map([['profit', [{ shown: 10n, exact: 1039n }]]])))).toMatchObject({
      profit: 11n,
    });
  });

  it('foot to the widest sum over them; a sum over some of them is that of what is shown', () => {
    const rows = [
      row('sales', [1040n]),
      row('cost', [-640n]),
      row('gross', [400n], [part('sales'), part('cost')], false),
      row('tax', [-150n]),
      row('profit', [250n], [part('sales'), part('cost'), part('tax')], false),
    ];
    // Exactly 2.5 of profit is 3; the parts take 10.4, −6.4 and −1.5 to 10 or 11, −7 or −6, −2 or −1.
    expect(shown(footRows({ rows, columns: [amount], unit: { times: 1n, over: 100n } }))).toEqual({ sales: 10n, cost: -6n, gross: 4n, tax: -1n, profit: 3n });
  });

  it('take what another statement gives for a row, and put what that is off by on the largest part', () => {
    const rows = [row('sales', [1000n]), row('cost', [-600n]), row('profit', [400n], [part('sales'), part('cost')], false)];
    expect(shown(footRows({ rows, columns: [amount], unit: { times: 1n, over: 100n } }, new Map([['profit', [{ shown: 5n, exact: 400n }]]])))).toEqual({
      sales: 11n,
      cost: -6n,
      profit: 5n,
    });
  });

  it('leave what another statement gives where it is of another amount', () => {
    const rows = [row('sales', [1000n]), row('cost', [-600n]), row('profit', [400n], [part('sales'), part('cost')], false)];
    const other = new Map([['profit', [{ shown: 5n, exact: 500n }]]]);
    expect(shown(footRows({ rows, columns: [amount], unit: { times: 1n, over: 100n } }, other))).toEqual({ sales: 10n, cost: -6n, profit: 4n });
  });

  it('are differences of what is shown in columns of change; percents are of exact amounts, and none where the change that is shown is nil or goes the other way', () => {
    const columns: StatementColumn[] = [amount, amount, { kind: 'change', of: 0, against: 1 }, { kind: 'percent', of: 0, against: 1 }];
    const rows = [row('a', [149n, 51n, 98n, 1922n]), { ...row('ratio', [149n, 51n, 98n, null]), unit: 'ratio' as const }];
    expect(shown(footRows({ rows, columns, unit: { times: 1n, over: 100n } }))).toEqual({ a: [1n, 1n, 0n, null], ratio: [149n, 51n, 98n, null] });
  });

  it('foot in every column, whatever the tree, its signs and amounts, and each is its floor or its ceiling', () => {
    /** A tree of totals over leaves, each part with a sign. */
    const leaf = fc.record({
      amounts: fc.array(fc.bigInt(-(10n ** 9n), 10n ** 9n), { minLength: 2, maxLength: 2 }),
      sign: fc.constantFrom(1 as const, -1 as const),
    });
    const group = fc.record({ parts: fc.array(leaf, { minLength: 1, maxLength: 5 }), sign: fc.constantFrom(1 as const, -1 as const) });
    fc.assert(
      fc.property(fc.array(group, { minLength: 1, maxLength: 5 }), fc.constantFrom(7n, 100n, 100_000n), (groups, factor) => {
        const sum = (parts: readonly { readonly amounts: readonly bigint[]; readonly sign: number }[]): bigint[] =>
          [0, 1].map((at) => parts.reduce((total, one) => total + BigInt(one.sign) * (one.amounts[at] as bigint), 0n));
        const totals = groups.map(({ parts, sign }) => ({ amounts: sum(parts), sign }));
        const rows = groups.flatMap(({ parts }, at) => [
          ...parts.map(({ amounts }, number) => row(`${at}.${number}`, amounts)),
          row(
            String(at),
            totals[at]?.amounts as bigint[],
            parts.map(({ sign }, number) => part(`${at}.${number}`, sign)),
          ),
        ]);
        rows.push(
          row(
            'all',
            sum(totals),
            totals.map(({ sign }, at) => part(String(at), sign)),
            false,
          ),
        );
        const footed = footRows({ rows, columns: [amount, amount], unit: { times: 1n, over: factor } });
        const figure = new Map(footed.map(({ key, values }) => [key, values as bigint[]]));
        for (const [place, { key, parts, values }] of rows.entries())
          for (const at of [0, 1]) {
            const own = figure.get(key)?.[at] as bigint;
            if (parts.length > 0)
              expect(
                parts.reduce((total, one) => total + BigInt(one.sign) * (figure.get(one.key)?.[at] as bigint), 0n),
                key,
              ).toBe(own);
            // Strictly less than one unit from the exact amount.
            const off = own * factor - (values[at] as bigint);
            expect(off < factor && off > -factor, `${key} of ${place}`).toBe(true);
          }
      }),
      { seed: 2709, numRuns: 400 },
    );
  });
});
