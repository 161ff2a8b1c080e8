import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Element } from '../chart/element.ts';
import { equityCategories, equityColumnOf, equityColumns } from '../columns/equityColumns.ts';
import type { Place } from '../placement/place.ts';
import { equityMissed } from '../proofs/proveEquity.ts';
import { amountOfReading } from '../statement/accountAmounts.ts';
import { maskColumn } from '../statement/maskColumn.ts';
import { netByLines } from '../statement/netByLines.ts';
import { resultOf, runColumn } from '../statement/runColumn.ts';
import { account, category, span, type TestCompany } from '../statement/statementsOf.fixture.ts';
import { beginChangesInEquity } from './beginChangesInEquity.ts';
import { composed, factsOf } from './ownLayout.fixture.ts';

/** Six accounts of equity, four of income and expense, one bank; the first of equity is retained earnings. */
const elements: readonly Element[] = [...Array<Element>(6).fill('equity'), 'income', 'income', 'expense', 'expense', 'asset'];
const accounts = elements.map((element, at) => account(at + 1, element));
const resets = Uint8Array.from(elements, (element) => (element === 'income' || element === 'expense' ? 1 : 0));
const categories = [category(1, 'equity'), category(2, 'equity', { parentId: 1 }), category(3, 'equity'), category(4, 'equity')];
const ofEach = (arbitrary: fc.Arbitrary<bigint>) => fc.array(arbitrary, { minLength: 11, maxLength: 11 });

const chance = fc.record({
  /** For each account of equity its category; none: unplaced. */
  places: fc.array(fc.option(fc.integer({ min: 1, max: 4 })), { minLength: 6, maxLength: 6 }),
  opening: ofEach(fc.bigInt(-900n, 900n)),
  movement: ofEach(fc.bigInt(-900n, 900n)),
  increases: ofEach(fc.bigInt(-400n, 0n)),
  transferred: ofEach(fc.bigInt(-90n, 0n)),
  transferredBack: ofEach(fc.bigInt(0n, 90n)),
  /** Categories that bear other comprehensive income. */
  comprehensive: fc.subarray([1, 2, 3, 4]),
});

function changesOf({
  places,
  opening,
  movement,
  increases,
  transferred,
  transferredBack,
  comprehensive,
}: typeof chance extends fc.Arbitrary<infer One> ? One : never) {
  const company: TestCompany = {
    categories,
    accounts,
    places: places.flatMap((categoryId, at): Place[] => (categoryId === null ? [] : [{ accountId: at + 1, side: 'any', categoryId }])),
    retainedEarningsId: 1,
  };
  const layout = beginChangesInEquity('en');
  const made = composed(
    company,
    layout,
    factsOf(
      company,
      layout,
      new Map(),
      comprehensive.map((id) => ({ id, nature: 'oci' as const })),
    ),
  );
  const vector = BigInt64Array.from(movement);
  const amounts = {
    opening: BigInt64Array.from(opening),
    movement: vector,
    closing: vector.map((amount, at) => amount + (opening[at] as bigint)),
    notAllotted: 0n,
    flows: {
      increases: BigInt64Array.from(increases),
      raised: BigInt64Array.from(increases),
      exchange: new BigInt64Array(11),
      transfers: { raised: BigInt64Array.from(transferred), lowered: BigInt64Array.from(transferredBack) },
    },
  };
  const input = {
    net: vector,
    result: resultOf(vector, resets),
    notAllotted: 0n,
    readings: made.compiled.readings.map((reading) => amountOfReading(reading, 'movement', amounts)),
    exponent: 2,
    span,
  };
  const facts = { tree: made.facts.tree, portions: made.facts.portions, retainedEarningsId: 1 };
  const columnOf = equityColumnOf(
    facts,
    accounts.map(({ id }) => id),
    resets,
  );
  const columns = equityColumns([span], equityCategories(facts, 'en'), 'en').map(({ equity }) => ({
    equity,
    run: runColumn(
      made.compiled,
      equity === undefined
        ? input
        : maskColumn(
            input,
            [...columnOf.keys()].filter((at) => columnOf[at] === equity),
            resets.some((one, at) => one === 1 && columnOf[at] === equity),
          ),
    ),
  }));
  const lineOf = (key: string, at: number): bigint => columns[at]?.run.amounts[made.compiled.indexOf.get(key) as number] as bigint;
  return { ...made, columns, lineOf, amounts };
}

describe('generated changes in equity, whatever the places and movements', () => {
  it('hold every account of equity exactly once, by direction', () => {
    fc.assert(
      fc.property(chance, (dice) => {
        const { coverage, movement, expanded } = { ...changesOf(dice), movement: dice.movement };
        expect([coverage(movement).faults, coverage(movement).inScope, expanded.findings]).toEqual([[], 6, []]);
      }),
      { seed: 1106, numRuns: 200 },
    );
  });

  it('lead from opening to closing in every column, and columns add up to all equity where each account is placed', () => {
    fc.assert(
      fc.property(chance, (dice) => {
        const { columns, lineOf, compiled, amounts } = changesOf(dice);
        const total = columns.length - 1;
        const sumOf = (vector: BigInt64Array): bigint => vector.reduce((sum, amount, at) => (elements[at] === 'asset' ? sum : sum + amount), 0n);
        expect(lineOf('opening', total)).toBe(sumOf(amounts.opening));
        expect(lineOf('closing', total)).toBe(sumOf(amounts.closing));
        for (const at of columns.keys()) {
          const parts = ['opening', 'profit', 'oci', 'oci_losses', 'contributions', 'distributions', 'transfers'].map((key) => lineOf(key, at));
          expect(lineOf('closing', at)).toBe(parts.reduce((sum, part) => sum + part, 0n));
        }
        const changed = columns.map(({ run }) => netByLines(compiled, run));
        const missed = equityMissed({
          day: span.lastDay,
          opening: sumOf(amounts.opening),
          closing: sumOf(amounts.closing),
          changes: changed[total] as bigint,
          byColumns: changed.slice(0, total).reduce((sum, one) => sum + one, 0n),
        });
        const unplaced = dice.places.reduce((sum, place, at) => (place === null && at > 0 ? sum + (dice.movement[at] as bigint) : sum), 0n);
        const earnings = dice.places[0] === null ? (dice.movement[0] as bigint) : 0n;
        expect(missed).toEqual([0n, -unplaced - earnings]);
      }),
      { seed: 1106, numRuns: 200 },
    );
  });
});

describe('the columns of changes in equity', () => {
  const facts = (places: readonly Place[], retainedEarningsId: number | null) => {
    const company: TestCompany = { categories, accounts, places, retainedEarningsId };
    const { tree, portions } = factsOf(company, beginChangesInEquity('en'));
    return { tree, portions, retainedEarningsId };
  };
  const placed: Place[] = [
    { accountId: 1, side: 'any', categoryId: 2 },
    { accountId: 2, side: 'any', categoryId: 4 },
  ];

  it('are the topmost categories that accounts stand in, and the result where nothing else bears it', () => {
    expect(equityCategories(facts(placed, 1), 'en').map(({ id }) => id)).toEqual([1, 4]);
    expect(equityCategories(facts(placed, null), 'en')).toEqual([
      { id: 1, caption: 'Category 1' },
      { id: 4, caption: 'Category 4' },
      { id: 0, caption: 'Result of the year' },
    ]);
    expect(equityCategories(facts(placed, 6), 'en').at(-1)?.id).toBe(0);
  });

  it('are those in the only topmost category, as long as no account stands in it itself', () => {
    const only = {
      ...facts([], 1),
      tree: factsOf({ categories: categories.slice(0, 2).concat(category(5, 'equity', { parentId: 1 })), accounts, places: [] }, beginChangesInEquity('en'))
        .tree,
    };
    const standing = (categoryIds: readonly number[]) => new Map(categoryIds.map((categoryId, at) => [at + 1, { debit: categoryId, credit: categoryId }]));
    expect(equityCategories({ ...only, portions: standing([2, 5]) }, 'en').map(({ id }) => id)).toEqual([2, 5]);
    expect(equityCategories({ ...only, portions: standing([1, 5]) }, 'en').map(({ id }) => id)).toEqual([1]);
  });

  it('are said once for each span, with its dates over them where there are several', () => {
    const before = { firstDay: '2025-01-01', lastDay: '2025-09-30' };
    const columns = equityColumns([span, before], equityCategories(facts(placed, 1), 'en'), 'en');
    expect(columns.map(({ group, heading, equity }) => [group, heading, equity])).toEqual([
      ['Jan–Sep 2026', 'Category 1', 1],
      ['Jan–Sep 2026', 'Category 4', 4],
      ['Jan–Sep 2026', 'Total equity', undefined],
      ['Jan–Sep 2025', 'Category 1', 1],
      ['Jan–Sep 2025', 'Category 4', 4],
      ['Jan–Sep 2025', 'Total equity', undefined],
    ]);
    expect(equityColumns([span], [], 'de').map(({ group, heading }) => [group, heading])).toEqual([[undefined, 'Summe Eigenkapital']]);
  });
});
