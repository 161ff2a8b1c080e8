import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Element, naturalSide } from '../chart/element.ts';
import { type Category, natures, steps } from '../placement/category.ts';
import type { Place } from '../placement/place.ts';
import { cashMoved, changeByLines } from '../proofs/proveCash.ts';
import { amountOfReading, increasesOf, lessWithoutCash } from '../statement/accountAmounts.ts';
import { account, category, span, type TestCompany } from '../statement/statementsOf.fixture.ts';
import { beginCashFlow } from './beginCashFlow.ts';
import type { LayoutEdit } from './editLayout.ts';
import { cashFlowStarts } from './options.ts';
import { composed, factsOf } from './ownLayout.fixture.ts';
import { type OwnLayout, type OwnTransfer, walkOwn } from './ownLayout.ts';

/** Eight accounts of each element, in categories that nest and are deducted from each other; the first two assets are cash. */
const elements: readonly Element[] = ['asset', 'liability', 'equity', 'income', 'expense'];
const categories: Category[] = elements.flatMap((element, at) => [
  category(at * 10 + 1, element, { term: 'non_current', step: 'other_operating' }),
  category(at * 10 + 2, element, { parentId: at * 10 + 1 }),
  category(at * 10 + 3, element, { parentId: at * 10 + 1, contraOf: at * 10 + 2 }),
  category(at * 10 + 4, element, { term: 'current', step: 'revenue' }),
]);
const accounts = elements.flatMap((element, at) =>
  Array.from({ length: 8 }, (_, number) => ({
    ...account(at * 8 + number + 1, element),
    // Half of what stands in the deducted category is on the other side.
    normalSide: number === 3 ? (naturalSide(element) === 'debit' ? ('credit' as const) : ('debit' as const)) : naturalSide(element),
    role: element === 'asset' && number < 2 ? ('cash' as const) : null,
  })),
);

const chance = fc.record({
  natures: fc.array(fc.option(fc.constantFrom(...natures)), { minLength: categories.length, maxLength: categories.length }),
  steps: fc.array(fc.constantFrom(...steps), { minLength: categories.length, maxLength: categories.length }),
  /** For each account its category, and whether its credit side stands in another one. */
  places: fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.option(fc.integer({ min: 1, max: 4 }))), { minLength: 40, maxLength: 40 }),
  opening: fc.array(fc.bigInt(-500n, 500n), { minLength: 40, maxLength: 40 }),
  debits: fc.array(fc.bigInt(0n, 300n), { minLength: 40, maxLength: 40 }),
  credits: fc.array(fc.bigInt(0n, 300n), { minLength: 40, maxLength: 40 }),
  reversing: fc.array(fc.bigInt(0n, 50n), { minLength: 40, maxLength: 40 }),
  exchange: fc.tuple(fc.bigInt(-50n, 50n), fc.bigInt(-50n, 50n)),
  withoutCash: fc.array(fc.bigInt(-90n, 90n), { minLength: 40, maxLength: 40 }),
  options: fc.record({
    start: fc.constantFrom(...cashFlowStarts),
    interestPaid: fc.constantFrom('operating' as const, 'financing' as const),
    dividendsPaid: fc.constantFrom('operating' as const, 'financing' as const),
    interestReceived: fc.constantFrom('operating' as const, 'investing' as const),
    dividendsReceived: fc.constantFrom('operating' as const, 'investing' as const),
    overdrafts: fc.constantFrom('cash' as const, 'financing' as const),
  }),
});
type Chance = typeof chance extends fc.Arbitrary<infer One> ? One : never;

function cashFlowOf({ natures: said, steps: ofCategory, places, opening, debits, credits, reversing, exchange, withoutCash, options }: Chance) {
  const tree = categories.map((one, at) => ({ ...one, step: one.step === null ? null : (ofCategory[at] ?? null) }));
  const company: TestCompany = {
    categories: tree,
    accounts,
    places: accounts.flatMap(({ id, element }, at): Place[] => {
      const base = elements.indexOf(element) * 10;
      const [first, second] = places[at] as Chance['places'][number];
      if (second === null || second === first) return [{ accountId: id, side: 'any', categoryId: base + first }];
      return [
        { accountId: id, side: 'debit', categoryId: base + first },
        { accountId: id, side: 'credit', categoryId: base + second },
      ];
    }),
  };
  const layout: OwnLayout = beginCashFlow(options, 'en');
  const facts = factsOf(
    company,
    layout,
    new Map(),
    tree.map(({ id }, at) => ({ id, nature: said[at] ?? null })),
  );
  // Entries balance: the last account takes what is left.
  const gross = { debit: BigInt64Array.from(debits), credit: BigInt64Array.from(credits) };
  const left = debits.reduce((sum, one, at) => sum + one - (credits[at] as bigint), 0n);
  if (left > 0n) gross.credit[39] = (gross.credit[39] as bigint) + left;
  else gross.debit[39] = (gross.debit[39] as bigint) - left;
  const movement = gross.debit.map((debit, at) => debit - (gross.credit[at] as bigint));
  const beginning = BigInt64Array.from(opening);
  // Of entries without cash, so that they add up to nothing; the first two accounts are cash.
  const apart = BigInt64Array.from(withoutCash, (amount, at) => (at < 2 ? 0n : amount));
  apart[39] = -apart.subarray(0, 39).reduce((sum, amount) => sum + amount, 0n);
  const whole = {
    opening: beginning,
    movement,
    closing: movement.map((amount, at) => amount + (beginning[at] as bigint)),
    notAllotted: 0n,
    flows: {
      transfers: { raised: new BigInt64Array(movement.length), lowered: new BigInt64Array(movement.length) },
      raised: increasesOf(
        gross,
        BigInt64Array.from(reversing),
        Uint8Array.from(accounts, ({ element, normalSide }) => Number(element === 'equity' || normalSide === 'credit')),
      ),
      increases: increasesOf(
        gross,
        BigInt64Array.from(reversing),
        Uint8Array.from(accounts, ({ normalSide }) => Number(normalSide === 'credit')),
      ),
      exchange: BigInt64Array.from(accounts, (_, at) => exchange[at] ?? 0n),
    },
  };
  const rises = apart.map((amount, at) => (amount > 0n === (accounts[at]?.normalSide === 'debit') ? amount : 0n));
  const amounts = lessWithoutCash(whole, apart, { increases: rises, raised: rises });
  const resets = Uint8Array.from(accounts, ({ element }) => (element === 'income' || element === 'expense' ? 1 : 0));
  /** Any cash flow over these books. */
  const over = (any: OwnLayout) => {
    const made = composed(company, any, facts);
    const run = made.run([...amounts.movement], {
      sides: { opening: beginning, whole: { net: movement, opening: beginning }, resets, creditNormal: new Uint8Array(resets.length) },
      readings: made.compiled.readings.map((reading) => amountOfReading(reading, 'movement', amounts)),
      span,
    });
    const amountOf = (key: string): bigint => run.amounts[made.compiled.indexOf.get(key) as number] as bigint;
    return { ...made, run, amountOf };
  };
  return { ...over(layout), over, beginning, movement };
}

const runs = { seed: 718, numRuns: 300 };

describe('the generated cash flow, whatever the natures, steps and places', () => {
  it('holds every account but cash exactly once', () => {
    fc.assert(
      fc.property(chance, (dice) => {
        const { coverage, movement, expanded } = cashFlowOf(dice);
        const { faults, inScope } = coverage([...movement]);
        expect([faults, inScope]).toEqual([[], dice.options.overdrafts === 'cash' ? 38 : 40]);
        expect(expanded.findings).toEqual([]);
      }),
      runs,
    );
  });

  it('comes to what was posted to cash, and leads from its beginning to its end', () => {
    fc.assert(
      fc.property(chance, (dice) => {
        const { compiled, run, amountOf, beginning, movement } = cashFlowOf(dice);
        const moved = cashMoved(compiled, beginning, movement);
        expect(changeByLines(compiled, run)).toBe(moved);
        expect(amountOf('cash_opening') + moved).toBe(amountOf('cash_closing'));
        // As printed: the beginning, the activities, the effect of exchange rates, the end.
        expect(amountOf('cash_opening') - amountOf('net_change') + amountOf('cash_exchange')).toBe(amountOf('cash_closing'));
      }),
      runs,
    );
  });

  it('begins with the profit of the income statement, whatever moved without cash', () => {
    fc.assert(
      fc.property(chance, (dice) => {
        const whole = cashFlowOf({ ...dice, withoutCash: dice.withoutCash.map(() => 0n) });
        expect(cashFlowOf(dice).amountOf('profit')).toBe(whole.amountOf('profit'));
        expect(whole.amountOf('in_profit_without_cash')).toBe(0n);
      }),
      runs,
    );
  });

  it('moves between lines without moving what they come to', () => {
    fc.assert(
      fc.property(chance, (dice) => {
        const { run, layout, compiled, over } = cashFlowOf(dice);
        const { transfers: _, ...bare } = layout;
        const without = over(bare);
        expect(changeByLines(without.compiled, without.run)).toBe(changeByLines(compiled, run));
      }),
      runs,
    );
  });
});

const roll = fc.record({ what: fc.nat(99), one: fc.nat(999), other: fc.nat(999), amount: fc.bigInt(-900n, 900n) });

/** An edit over whatever lines and transfers there are at the time. */
function editFor(
  { what, one, other, amount }: { what: number; one: number; other: number; amount: bigint },
  at: Pick<ReturnType<typeof composed>, 'expanded' | 'layout'>,
  number: number,
): LayoutEdit {
  const all = [...at.expanded.byKey.keys()];
  const pick = (of: readonly string[], place: number): string => of[place % of.length] as string;
  const key = pick(all, one);
  const ofAccounts = all.filter((each) => {
    const line = at.expanded.byKey.get(each);
    return line?.kind === 'accounts' && !line.isMemo;
  });
  if (what < 25) {
    const groups = [null, ...all.filter((each) => ['group', 'heading'].includes(at.expanded.byKey.get(each)?.kind ?? ''))];
    return { kind: 'move', keys: [key], spot: { within: groups[other % groups.length] ?? null, after: null } };
  }
  if (what < 40) return { kind: 'remove', keys: [key] };
  if (what < 55) return { kind: 'rename_key', key, to: `renamed_${number}` };
  if (what < 62) return { kind: 'adjust', key, changes: { caption: `Caption ${number}` } };
  if (what < 66) return { kind: 'set', settings: { overdraftsApart: what % 2 === 0 } };
  const moved = { key: `moved_${number}`, text: `Moved ${number}`, on: pick(ofAccounts, one), from: pick(ofAccounts, other) };
  const transfer: OwnTransfer =
    what < 82
      ? { ...moved, amount: { kind: 'living', sources: [{ kind: 'numbers', text: `${1000 + (one % 40)} to ${1004 + (one % 40)}` }], except: [] } }
      : { ...moved, amount: { kind: 'fixed', day: span.lastDay, inflow: amount.toString() } };
  const there = at.layout.transfers ?? [];
  return { kind: 'set', settings: { transfers: what < 94 ? [...there, transfer] : there.slice(1) } };
}

describe('any sequence of edits of a cash flow', () => {
  it('leaves every transfer between lines that are there, and what is covered explains the change of cash', () => {
    let [covered, refused] = [0, 0];
    fc.assert(
      fc.property(chance, fc.array(roll, { minLength: 1, maxLength: 10 }), (dice, rolls) => {
        const { layout: begun, over, beginning, movement } = cashFlowOf(dice);
        let layout = begun;
        for (const [number, rolled] of rolls.entries()) {
          const before = over(layout);
          const outcome = before.edit(editFor(rolled, before, number));
          if (!outcome.ok) {
            refused++;
            continue;
          }
          layout = outcome.value;
          const after = over(layout);
          expect(after.expanded.findings.filter(({ code }) => code === 'transfer_line_unknown')).toEqual([]);
          expect(after.compiled.layout.transfers?.length ?? 0).toBe(layout.transfers?.length ?? 0);
          if (after.coverage([...movement]).faults.length > 0 || !takesExchangeOut(layout)) continue;
          covered++;
          expect(changeByLines(after.compiled, after.run)).toBe(cashMoved(after.compiled, beginning, movement));
        }
      }),
      { ...runs, numRuns: 200 },
    );
    // Neither is the rule.
    expect(Math.min(covered, refused)).toBeGreaterThan(50);
  });
});

/** Whether the effect of exchange rates stands by itself, and on a line that frees profit of it. */
function takesExchangeOut(layout: OwnLayout): boolean {
  let isAddedBack = false;
  walkOwn(layout.lines, (line) => {
    if (line.kind === 'cash' && line.of === 'exchange' && line.addedBackOn !== null) isAddedBack = true;
  });
  return isAddedBack;
}

describe('a line that follows a part of a cash flow', () => {
  it('is of one part alone: the parts share no portion', () => {
    fc.assert(
      fc.property(chance, (dice) => {
        const { expanded } = cashFlowOf(dice);
        const taken = new Map<string, string>();
        for (const [key, origin] of expanded.origins) {
          const line = expanded.byKey.get(key);
          if (origin.kind !== 'followed' || line?.kind !== 'accounts') continue;
          for (const [place, at] of (line.selection?.accounts ?? []).entries())
            for (const side of [1, 2].filter((bit) => ((line.selection?.sides[place] ?? 0) & bit) !== 0)) {
              const portion = `${at} ${side} ${line.reading?.direction ?? 'net'}`;
              expect(taken.get(portion), portion).toBeUndefined();
              taken.set(portion, key);
            }
        }
      }),
      { ...runs, numRuns: 60 },
    );
  });
});
