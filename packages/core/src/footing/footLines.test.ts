import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { footItems, notAdding, summed, type TestItem, thousand, total } from './tables.fixture.ts';

const hundred = { times: 1n, over: 100n };
const shownOf = ({ shown }: ReturnType<typeof footItems>) =>
  Object.fromEntries([...shown].map(([key, values]) => [key, values.length === 1 ? values[0] : values]));

describe('printed figures of one column', () => {
  it('largest remainder (handbook example): 1,000 in three equal parts is 334, 333, 333', () => {
    const items = [33_333n, 33_333n, 33_334n].map((value, at): TestItem => ({ key: 'abc'[at] as string, values: [value] }));
    expect(shownOf(footItems([...items, total('all', items, ['a', 'b', 'c'])], hundred))).toEqual({ a: 333n, b: 333n, c: 334n, all: 1000n });
    const equal = ['a', 'b', 'c'].map((key): TestItem => ({ key, values: [1000n] }));
    expect(shownOf(footItems([...equal, total('all', equal, ['a', 'b', 'c'])], { times: 1n, over: 3n }))).toEqual({ a: 334n, b: 333n, c: 333n, all: 1000n });
  });

  it('keep the root at plain rounding, half away from zero', () => {
    const items: TestItem[] = [
      { key: 'a', values: [-125n] },
      { key: 'b', values: [-125n] },
    ];
    expect(shownOf(footItems([...items, total('all', items, ['a', 'b'])], hundred))).toEqual({ a: -2n, b: -1n, all: -3n });
  });

  it('take what is given; the others come to the rest', () => {
    const items: TestItem[] = [
      { key: 'profit', values: [1040n] },
      { key: 'a', values: [130n] },
      { key: 'b', values: [130n] },
    ];
    const all = [...items, total('all', items, ['profit', 'a', 'b'])];
    expect(shownOf(footItems(all, hundred))).toEqual({ profit: 11n, a: 1n, b: 1n, all: 13n });
    expect(shownOf(footItems(all, hundred, [null], { profit: [10n] }))).toEqual({ profit: 10n, a: 2n, b: 1n, all: 13n });
  });

  it('say where given figures contradict each other', () => {
    const items: TestItem[] = [
      { key: 'a', values: [1000n] },
      { key: 'b', values: [2000n] },
    ];
    const all = [...items, total('all', items, ['a', 'b'])];
    const { shown, exceptions } = footItems(all, hundred, [null], { a: [11n], b: [20n], all: [30n] });
    expect(notAdding(all, shown)).toEqual([]);
    expect(exceptions).toEqual([{ key: 'all', column: 0, why: 'given' }]);
  });

  it('print the same amount as a column before does, where it can be', () => {
    // Of 18.5 and 18.5 in 37 one is 19 and one 18; beside nothing but the first, 18.5 alone would be 19 both times.
    const items: TestItem[] = [
      { key: 'a', values: [1850n, 1850n] },
      { key: 'b', values: [1850n, 1850n] },
    ];
    const all = [...items, total('all', items, ['a', 'b'])];
    const { shown } = footItems(all, hundred);
    expect(shown.get('a')?.[0]).toBe(shown.get('a')?.[1]);
    expect(shown.get('b')?.[0]).toBe(shown.get('b')?.[1]);
  });

  it('are what each column prints alone, where columns were only put together', () => {
    const names = ['a', 'b', 'c', 'd'];
    let otherwise = 0;
    fc.assert(
      fc.property(fc.array(fc.array(fc.constantFrom(40n, 50n, 60n, 150n), { minLength: 3, maxLength: 3 }), { minLength: 4, maxLength: 4 }), (values) => {
        const table = (columns: readonly number[]): TestItem[] => {
          const items = names.map((key, at): TestItem => ({ key, values: columns.map((column) => values[at]?.[column] ?? 0n) }));
          return [...items, total('all', items, names)];
        };
        const printed = ({ shown }: ReturnType<typeof footItems>, column: number) => [...shown.values()].map((figures) => figures[column]);
        const together = footItems(table([0, 1, 2]), hundred, [null, null, null], {}, true);
        const related = footItems(table([0, 1, 2]), hundred);
        for (const column of [0, 1, 2]) {
          const alone = printed(footItems(table([column]), hundred), 0);
          expect(printed(together, column)).toEqual(alone);
          if (printed(related, column).join() !== alone.join()) otherwise++;
        }
      }),
      { numRuns: 200, seed: 64 },
    );
    // Columns of one statement look at each other; else this would say nothing.
    expect(otherwise).toBeGreaterThan(0);
  });

  it('leave a total without a figure out, and let its parts stand for themselves', () => {
    const items: TestItem[] = [
      { key: 'a', values: [150n] },
      { key: 'b', values: [150n] },
      {
        key: 'all',
        values: [null],
        parts: [
          { key: 'a', sign: 1 },
          { key: 'b', sign: 1 },
        ],
      },
    ];
    expect(shownOf(footItems(items, hundred))).toEqual({ a: 2n, b: 2n, all: null });
  });
});

const cell = fc.oneof({ arbitrary: fc.constant(0n), weight: 1 }, { arbitrary: fc.bigInt(-9_999n, 9_999n), weight: 4 });

/** Groups of lines under one total, some deducted, over columns with their total behind them. */
const anyTable = fc.integer({ min: 2, max: 6 }).chain((width) =>
  fc
    .array(
      fc.array(fc.record({ cells: fc.array(cell, { minLength: width, maxLength: width }), sign: fc.constantFrom('', '', '-') }), {
        minLength: 1,
        maxLength: 6,
      }),
      {
        minLength: 1,
        maxLength: 5,
      },
    )
    .map((groups) => {
      const items: TestItem[] = [];
      for (const [at, lines] of groups.entries()) {
        const names = lines.map(({ cells, sign }, place) => {
          items.push({ key: `${at}.${place}`, values: summed(cells) });
          return `${sign}${at}.${place}`;
        });
        items.push(total(`total ${at}`, items, names));
      }
      items.push(
        total(
          'all',
          items,
          groups.map((_, at) => `total ${at}`),
        ),
      );
      return { width, items, totals: [...Array.from({ length: width }, () => width), null] };
    }),
);

describe('printed figures of columns that are parts of a total', () => {
  it('add down and across, whatever the amounts; the total is what it is alone', () => {
    let [cells, farther] = [0, 0];
    fc.assert(
      fc.property(anyTable, ({ width, items, totals }) => {
        const { shown, exceptions } = footItems(items, thousand, totals);
        expect(notAdding(items, shown, totals)).toEqual([]);
        const alone = footItems(items.map((item) => ({ ...item, values: item.values.slice(-1) })));
        for (const { key } of items) expect(shown.get(key)?.[width]).toBe(alone.shown.get(key)?.[0]);
        for (const { key, values } of items)
          for (const [column, figure] of (shown.get(key) as bigint[]).entries()) {
            const off = figure * 1000n - (values[column] as bigint);
            const isBeyond = off >= 1000n || off <= -1000n;
            cells++;
            if (isBeyond) farther++;
            // Whatever is beyond floor and ceiling is listed, and nothing else.
            expect(exceptions.some((one) => one.key === key && one.column === column && one.why === 'beyond')).toBe(isBeyond);
            if (values[column] === 0n && figure !== 0n) expect(isBeyond).toBe(true);
          }
      }),
      { numRuns: 400 },
    );
    expect(farther / cells).toBeLessThan(0.005);
  });

  it('have a floor or a ceiling everywhere in every two-way table (Cox 1987: zero-restricted controlled rounding exists; from memory)', () => {
    const table = fc
      .tuple(fc.integer({ min: 1, max: 7 }), fc.integer({ min: 1, max: 7 }))
      .chain(([height, width]) => fc.array(fc.array(fc.bigInt(0n, 9_999n), { minLength: width, maxLength: width }), { minLength: height, maxLength: height }));
    fc.assert(
      fc.property(table, (rows) => {
        const items: TestItem[] = rows.map((row, at) => ({ key: `r${at}`, values: summed(row) }));
        items.push(
          total(
            'all',
            items,
            rows.map((_, at) => `r${at}`),
          ),
        );
        const totals = [...(rows[0] as bigint[]).map(() => rows[0]?.length ?? 0), null];
        const { shown, exceptions } = footItems(items, thousand, totals);
        expect(notAdding(items, shown, totals)).toEqual([]);
        expect(exceptions).toEqual([]);
      }),
      { numRuns: 500 },
    );
  });

  it('are the nearest that add and keep to their total, by brute force over small tables; where floor or ceiling everywhere is possible it is found', () => {
    const small = fc
      .tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 2, max: 3 }))
      .chain(([height, width]) =>
        fc.array(fc.array(fc.bigInt(-2_500n, 2_500n), { minLength: width, maxLength: width }), { minLength: height, maxLength: height }),
      );
    fc.assert(
      fc.property(small, (rows) => {
        const width = rows[0]?.length ?? 0;
        const items: TestItem[] = rows.map((row, at) => ({ key: `r${at}`, values: summed(row) }));
        items.push(
          total(
            'all',
            items,
            rows.map((_, at) => `r${at}`),
          ),
        );
        const { shown, exceptions } = footItems(items, thousand, [...Array.from({ length: width }, () => width), null]);
        const ofTotal = new Map(items.map(({ key, values }) => [key, { exact: values[width] as bigint, shown: shown.get(key)?.[width] as bigint }]));
        const best = nearestByForce(rows, items, ofTotal);
        if (best === null) return;
        expect(exceptions.filter(({ column }) => column < width)).toEqual([]);
        const cost = items.reduce(
          (sum, { key, values }) =>
            sum + values.slice(0, width).reduce<number>((all, value, at) => all + costOf(value as bigint, shown.get(key)?.[at] as bigint, ofTotal.get(key)), 0),
          0,
        );
        expect(cost).toBeLessThanOrEqual(best + 1e-4);
      }),
      {
        numRuns: 150,
        // A column that is exactly what its total is: it prints as there, though another way is nearer by squares alone.
        examples: [
          [
            [
              [-1_266n, 1_109n, -2_500n],
              [-234n, -691n, 2_082n],
            ],
          ],
        ],
      },
    );
  });

  it('of a row whose exact columns are not its total are free; those beside it add all the same', () => {
    const items: TestItem[] = [
      { key: 'a', values: [1400n, 1400n, 5000n] },
      { key: 'b', values: [1400n, 1400n, 2800n] },
    ];
    const all = [...items, total('all', items, ['a', 'b'])];
    const { shown, exceptions } = footItems(all, thousand, [2, 2, null]);
    expect([notAdding(all, shown, [2, 2, null]), exceptions]).toEqual([[], []]);
    expect(shown.get('all')).toEqual([3n, 3n, 8n]);
    expect(shown.get('b')?.[2]).toBe(3n);
  });

  it('of a total that adds although what is in it does not come to it all the same', () => {
    // What b lacks in the total c has more: 1.4 + 1.4 of both are 2.8, and together they are 5.6.
    const items: TestItem[] = [
      { key: 'b', values: [1400n, 1400n, 2000n] },
      { key: 'c', values: [1400n, 1400n, 3600n] },
      { key: 'd', values: [1300n, 1300n, 2600n] },
    ];
    const sum = total('sum', items, ['b', 'c']);
    const all = [...items, sum, total('all', [...items, sum], ['sum', 'd'])];
    const { shown, exceptions } = footItems(all, thousand, [2, 2, null]);
    expect([notAdding(all, shown, [2, 2, null]), exceptions]).toEqual([[], []]);
  });

  it('of balances at both ends over months hold what is given, and what changed between adds across (changes in equity)', () => {
    // Opening and closing are no sums of months; what moved is.
    const items: TestItem[] = [
      { key: 'opening', values: [18_237n, 17_836n, 18_237n] },
      { key: 'profit', values: [-401n, -433n, -834n] },
    ];
    const all = [...items, total('closing', items, ['opening', 'profit'])];
    const { shown, exceptions } = footItems(all, thousand, [2, 2, null], { opening: [18n, 18n, 18n], closing: [18n, 17n, 17n] });
    expect([notAdding(all, shown, [2, 2, null]), exceptions]).toEqual([[], []]);
    expect(shown.get('profit')).toEqual([0n, -1n, -1n]);
  });

  it('at one closing rate come to the whole to the minor unit', () => {
    // At 0.15: 5.01 and 5.00 are 0.75 each and 10.01 is 1.50; 3.33 and 3.34 are 0.50 each and 6.67 is 1.00.
    const items: TestItem[] = [
      { key: 'a', values: summed([501n, 500n]) },
      { key: 'b', values: summed([333n, 334n]) },
    ];
    const all = [...items, total('all', items, ['a', 'b'])];
    const { shown } = footItems(all, { times: 15n, over: 100n }, [2, 2, null]);
    expect(notAdding(all, shown, [2, 2, null])).toEqual([]);
    expect(shown.get('all')).toEqual([125n, 125n, 250n]);
  });

  it('of a given end of each column hold it, and what was untouched prints as nothing between', () => {
    // Both ends of two categories and of all equity; the second category was not touched.
    const items: TestItem[] = [
      { key: 'opening', values: [1_400n, 18_400n, 19_800n] },
      { key: 'profit', values: [2_300n, 0n, 2_300n] },
    ];
    const all = [...items, total('closing', items, ['opening', 'profit'])];
    const { shown, exceptions } = footItems(all, thousand, [2, 2, null], { opening: [1n, 18n, 19n], closing: [4n, 18n, 22n] });
    expect(exceptions).toEqual([]);
    expect(Object.fromEntries(shown)).toEqual({ opening: [1n, 18n, 19n], profit: [3n, 0n, 3n], closing: [4n, 18n, 22n] });
  });
});

function squareOff(exact: bigint, shown: bigint): number {
  return (Number(shown * 1000n - exact) / 1000) ** 2;
}

interface InTotal {
  readonly exact: bigint;
  readonly shown: bigint;
}

/** The square of what a figure is off, and 4 for each unit that it is off what the same amount prints as in the total. */
function costOf(exact: bigint, shown: bigint, total: InTotal | undefined): number {
  return squareOff(exact, shown) + (exact === total?.exact ? 4 * Math.abs(Number(shown - total.shown)) : 0);
}

/** The least cost of all figures within floor and ceiling that come to what the total's column prints; `null` where there is none. */
function nearestByForce(rows: readonly (readonly bigint[])[], items: readonly TestItem[], ofTotal: ReadonlyMap<string, InTotal>): number | null {
  const width = rows[0]?.length ?? 0;
  const floor = (amount: bigint): bigint => (amount < 0n && amount % 1000n !== 0n ? amount / 1000n - 1n : amount / 1000n);
  const choices = rows.flatMap((row) => row.map((amount) => (amount % 1000n === 0n ? [floor(amount)] : [floor(amount), floor(amount) + 1n])));
  const last = items.at(-1) as TestItem;
  let best: number | null = null;
  const cells: bigint[] = [];
  const tryAll = (at: number, cost: number): void => {
    if (at < choices.length) {
      for (const choice of choices[at] as bigint[]) {
        cells[at] = choice;
        const row = Math.floor(at / width);
        tryAll(at + 1, cost + costOf(rows[row]?.[at % width] as bigint, choice, ofTotal.get(`r${row}`)));
      }
      return;
    }
    for (const [row] of rows.entries())
      if (cells.slice(row * width, (row + 1) * width).reduce((sum, one) => sum + one, 0n) !== ofTotal.get(`r${row}`)?.shown) return;
    let whole = cost;
    for (let column = 0; column < width; column++) {
      const exact = last.values[column] as bigint;
      const sum = rows.reduce((all, _, row) => all + (cells[row * width + column] as bigint), 0n);
      if (sum !== floor(exact) && (exact % 1000n === 0n || sum !== floor(exact) + 1n)) return;
      whole += costOf(exact, sum, ofTotal.get(last.key));
    }
    if (best === null || whole < best) best = whole;
  };
  tryAll(0, 0);
  return best;
}
