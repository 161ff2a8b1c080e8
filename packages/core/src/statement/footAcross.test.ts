import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { footRows } from './scaleRows.ts';
import type { RowPart, StatementColumn, StatementRow } from './statement.ts';
import { span } from './statementsOf.fixture.ts';

const columns = (parts: number): StatementColumn[] => [
  ...Array.from({ length: parts }, (): StatementColumn => ({ kind: 'amount', measure: 'movement', span })),
  { kind: 'amount', measure: 'movement', span, totals: parts },
];
const unit = { times: 1n, over: 1000n };

function row(key: string, values: readonly bigint[], parts: readonly RowPart[] = []): StatementRow {
  const total = parts.length > 0 ? { partsAreWithin: true as const } : {};
  return {
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
    ...total,
  };
}

/** The values with their sum behind them. */
const summed = (values: readonly bigint[]): bigint[] => [...values, values.reduce((sum, one) => sum + one, 0n)];

/** Groups of lines under one total, some deducted; each group's total is that of its lines. */
function tree(groups: readonly (readonly { readonly cells: readonly bigint[]; readonly sign: 1 | -1 }[])[], parts: number): StatementRow[] {
  const rows: StatementRow[] = [];
  const totals: StatementRow[] = [];
  const sumOf = (of: readonly { readonly values: readonly bigint[]; readonly sign: bigint }[]): bigint[] =>
    Array.from({ length: parts + 1 }, (_, at) => of.reduce((sum, { values, sign }) => sum + sign * (values[at] as bigint), 0n));
  for (const [at, lines] of groups.entries()) {
    const made = lines.map(({ cells, sign }, line) => ({ row: row(`${at}.${line}`, summed(cells)), sign }));
    const total = row(
      `total ${at}`,
      sumOf(made.map((one) => ({ values: one.row.values as bigint[], sign: BigInt(one.sign) }))),
      made.map((one) => ({ key: one.row.key, sign: one.sign })),
    );
    rows.push(...made.map((one) => one.row), total);
    totals.push(total);
  }
  return [
    ...rows,
    row(
      'all',
      sumOf(totals.map(({ values }) => ({ values: values as bigint[], sign: 1n }))),
      totals.map(({ key }) => ({ key, sign: 1 })),
    ),
  ];
}

const cell = fc.oneof({ arbitrary: fc.constant(0n), weight: 1 }, { arbitrary: fc.bigInt(-9_999n, 9_999n), weight: 4 });
const anyTree = fc.integer({ min: 2, max: 6 }).chain((parts) =>
  fc
    .array(
      fc.array(fc.record({ cells: fc.array(cell, { minLength: parts, maxLength: parts }), sign: fc.constantFrom<1 | -1>(1, 1, -1) }), {
        minLength: 1,
        maxLength: 6,
      }),
      {
        minLength: 1,
        maxLength: 5,
      },
    )
    .map((groups) => ({ parts, rows: tree(groups, parts) })),
);

describe('columns that are parts of a total, in units', () => {
  it('come to it in each row, and each row’s parts to the row in each column; the total is what it is alone', () => {
    let [cells, farther] = [0, 0];
    fc.assert(
      fc.property(anyTree, ({ parts, rows }) => {
        const shown = new Map(footRows({ rows, columns: columns(parts), unit }).map((one) => [one.key, one]));
        const alone = footRows({
          rows: rows.map((one) => ({ ...one, values: one.values.slice(-1) })),
          columns: [{ kind: 'amount', measure: 'movement', span }],
          unit,
        });
        for (const { key, values } of alone) expect(shown.get(key)?.values[parts], key).toBe(values[0]);
        for (const { key, parts: within, values: exact } of rows) {
          const values = shown.get(key)?.values as bigint[];
          expect(
            values.slice(0, parts).reduce((sum, one) => sum + one, 0n),
            `across ${key}`,
          ).toBe(values[parts]);
          for (const [at, value] of values.entries()) {
            if (within.length > 0)
              expect(
                within.reduce((sum, one) => sum + BigInt(one.sign) * (shown.get(one.key)?.values[at] as bigint), 0n),
                `down ${key}`,
              ).toBe(value);
            const off = value * unit.over - (exact[at] as bigint);
            cells++;
            if (off >= unit.over || off <= -unit.over) farther++;
          }
        }
      }),
      { numRuns: 300 },
    );
    // Floor or ceiling nearly always: with totals fixed above it cannot be everywhere.
    expect(farther / cells).toBeLessThan(0.01);
  });

  it('never depend on what is shown below them', () => {
    fc.assert(
      fc.property(anyTree, ({ parts, rows }) => {
        const whole = new Map(footRows({ rows, columns: columns(parts), unit }).map((one) => [one.key, one.values]));
        const shut = rows.filter(({ key }) => !key.includes('.')).map((one) => (one.key === 'all' ? one : { ...one, parts: [] }));
        for (const { key, values } of footRows({ rows: shut, columns: columns(parts), unit })) expect(values).toEqual(whole.get(key));
      }),
      { numRuns: 100 },
    );
  });

  it('foot down alone where the exact parts are not the total, as balances by side', () => {
    const rows = [
      row('a', [1400n, 1400n, 5000n]),
      row('b', [1400n, 1400n, 2800n]),
      row(
        'all',
        [2800n, 2800n, 7800n],
        [
          { key: 'a', sign: 1 },
          { key: 'b', sign: 1 },
        ],
      ),
    ];
    const shown = Object.fromEntries(footRows({ rows, columns: columns(2), unit }).map(({ key, values }) => [key, values]));
    expect(shown).toEqual({ a: [2n, 2n, 5n], b: [1n, 1n, 3n], all: [3n, 3n, 8n] });
  });

  it('at one closing rate come to the whole to the minor unit', () => {
    // At 0.15: 5.01 and 5.00 are 0.75 each and 10.01 is 1.50; 3.33 and 3.34 are 0.50 each and 6.67 is 1.00.
    const at = { times: 15n, over: 100n };
    const rows = [
      row('a', summed([501n, 500n])),
      row('b', summed([333n, 334n])),
      row('all', summed([834n, 834n]), [
        { key: 'a', sign: 1 },
        { key: 'b', sign: 1 },
      ]),
    ];
    const shown = footRows({ rows, columns: columns(2), unit: at });
    for (const { values } of shown) expect((values[0] as bigint) + (values[1] as bigint)).toBe(values[2]);
    expect(shown.at(-1)?.values).toEqual([125n, 125n, 250n]);
  });
});
