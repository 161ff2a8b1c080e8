import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Element } from '../chart/element.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import type { Place } from '../placement/place.ts';
import { account, category, type TestCompany } from '../statement/statementsOf.fixture.ts';
import { beginLayout } from './beginLayout.ts';
import type { LayoutEdit } from './editLayout.ts';
import { childrenOf, countsInGroup, type Line } from './line.ts';
import { defaultLayoutOptions } from './options.ts';
import { calculating, composed, grouping, numbers, remaining, summing, taking } from './ownLayout.fixture.ts';
import { type OwnLayout, type OwnLine, plainLook, walkOwn } from './ownLayout.ts';
import { keysInGroup } from './putLines.ts';

const elements: readonly Element[] = ['asset', 'asset', 'asset', 'asset', 'liability', 'liability', 'equity', 'equity'];
const company: TestCompany = {
  categories: [
    category(1, 'asset', { term: 'non_current', name: 'Vessels' }),
    category(2, 'asset', { parentId: 1, name: 'At cost' }),
    category(3, 'asset', { parentId: 1, name: 'Depreciation', contraOf: 2 }),
    category(4, 'asset', { term: 'current', name: 'Cash' }),
    category(5, 'asset', { term: 'current', name: 'Stores' }),
    category(6, 'asset', { term: 'current', name: 'Receivables' }),
    category(7, 'liability', { term: 'current', name: 'Overdraft' }),
    category(8, 'equity', { name: 'Capital' }),
    category(9, 'equity', { name: 'Reserves' }),
  ],
  accounts: [...elements, 'income' as const].map((element, at) => account(at + 1, element)),
  places: [2, 3, 4, 5, 7, 7, 8, 9].map((categoryId, at): Place => ({ accountId: at + 1, side: 'any', categoryId })),
  retainedEarningsId: 8,
};
const net = [900n, -200n, 60n, 40n, -150n, -250n, -300n, -60n, -40n];
const beginning: OwnLayout = beginLayout('balance_sheet', { tree: buildCategoryTree(company.categories), options: defaultLayoutOptions, language: 'en' });

interface Dice {
  readonly what: number;
  readonly keys: readonly number[];
  readonly within: number;
  readonly after: number;
  readonly shape: number;
}
const dice: fc.Arbitrary<Dice> = fc.record({
  what: fc.nat(99),
  keys: fc.array(fc.nat(999), { minLength: 1, maxLength: 3 }),
  within: fc.nat(999),
  after: fc.nat(999),
  shape: fc.nat(99),
});

/** An edit over whatever lines there are at the time. */
function editFor({ what, keys, within, after, shape }: Dice, at: ReturnType<typeof composed>, number: number): LayoutEdit {
  const all = at.compiled.lines.map(({ key }) => key);
  const known = [...at.expanded.origins.keys()];
  const pick = (one: number): string => all[one % all.length] as string;
  const groups = [null, ...all.filter((key) => isGroup(at.compiled.lines[at.compiled.indexOf.get(key) ?? -1]))];
  const group = groups[within % groups.length] as string | null;
  const siblings = [null, ...keysInGroup(at.expanded, group)];
  const spot = { within: group, after: siblings[after % siblings.length] as string | null };
  const chosen = [...new Set(keys.map(pick))];
  if (all.length === 0) return { kind: 'insert', lines: [newLine(shape % 50, number, [], pick)], spot };
  if (what < 35) return { kind: 'move', keys: chosen, spot };
  if (what < 60) return { kind: 'insert', lines: [newLine(shape, number, chosen, pick)], spot };
  if (what < 72) return { kind: 'remove', keys: chosen };
  if (what < 80) return { kind: 'rename_key', key: pick(within), to: `renamed_${number}` };
  if (what < 90) return { kind: 'adjust', key: pick(within), changes: shape < 50 ? { caption: `Caption ${number}` } : { look: { ...plainLook, indent: 1 } } };
  if (what < 95) return { kind: 'follow_again', key: known[within % known.length] as string };
  const changed = at.expanded.origins.get(pick(within));
  return changed?.kind === 'own'
    ? { kind: 'change', line: { ...changed.line, caption: `Changed ${number}` } }
    : { kind: 'set', settings: { title: `Title ${number}` } };
}

function newLine(shape: number, number: number, chosen: readonly string[], pick: (one: number) => string): OwnLine {
  const key = `new_${number}`;
  const oneSide = { kind: 'account', accountId: 1 + (shape % 9), side: shape % 2 === 0 ? 'debit' : 'credit' } as const;
  if (shape < 10) return taking(key, [numbers(`${1001 + (shape % 9)} to ${1003 + (shape % 9)}`)], { except: [oneSide] });
  if (shape < 20) return taking(key, [oneSide], { takes: shape % 3 === 0 ? 'debit' : 'any' });
  if (shape < 30) return taking(key, [numbers(`${1001 + (shape % 9)} to ${1003 + (shape % 9)}`)], { takes: shape % 2 === 0 ? 'any' : 'debit' });
  if (shape < 50) return grouping(key, 'credit', [taking(`${key}_inner`, [{ kind: 'category', categoryId: 1 + (shape % 9) }])]);
  if (shape < 65) return summing(key, Object.fromEntries(chosen.map((one, at) => [one, at % 2 === 0 ? 1 : -1])));
  if (shape < 80) return calculating(key, `"${pick(shape)}" / 2 - "${chosen[0] as string}"`);
  return shape < 85 ? remaining(key) : { ...taking(key, [numbers('*')]), kind: 'memo' };
}

function isGroup(line: Line | undefined): boolean {
  return line?.kind === 'group' || line?.kind === 'heading';
}

function ownKeys(layout: OwnLayout): string[] {
  const keys: string[] = [];
  walkOwn(layout.lines, ({ key }) => void keys.push(key));
  return keys;
}

/** How many lines take each side of each account, counted line by line. */
function timesTaken(at: ReturnType<typeof composed>): { debit: number; credit: number }[] {
  const times = company.accounts.map(() => ({ debit: 0, credit: 0 }));
  const takers = at.compiled.lines.filter((line) => line.kind === 'accounts' && !line.isMemo);
  for (const rest of [false, true])
    for (const line of takers) {
      if (line.kind !== 'accounts' || (line.isRemainder ?? false) !== rest) continue;
      for (const [index, { id }] of company.accounts.entries()) {
        const own = times[index] as { debit: number; credit: number };
        const portions = at.facts.portions.get(id);
        const selected = line.selection ? line.selection.accounts.indexOf(index) : -1;
        const sides = selected < 0 ? 0 : (line.selection?.sides[selected] as number);
        const [debit, credit] =
          line.categoryId === null ? [(sides & 1) !== 0, (sides & 2) !== 0] : [portions?.debit === line.categoryId, portions?.credit === line.categoryId];
        if (debit && (!rest || own.debit === 0)) own.debit++;
        if (credit && (!rest || own.credit === 0)) own.credit++;
      }
    }
  return times;
}

describe('any sequence of edits', () => {
  it('keeps keys, sums and formulas whole, loses no line, puts lines where they were put, and leaves what was before as it was', () => {
    fc.assert(
      fc.property(fc.array(dice, { minLength: 1, maxLength: 14 }), (rolls) => {
        let layout = beginning;
        for (const [number, roll] of rolls.entries()) {
          const before = composed(company, layout);
          const edit = editFor(roll, before, number);
          const text = JSON.stringify(layout);
          const outcome = before.edit(edit);
          expect(JSON.stringify(layout)).toBe(text);
          if (!outcome.ok) continue;
          const after = composed(company, outcome.value);
          expect(
            after.expanded.findings.filter(({ code }) => code === 'sum_line_unknown' || code === 'formula_line_unknown' || code === 'adjustment_idle'),
          ).toEqual([]);
          const [had, has] = [ownKeys(layout), ownKeys(outcome.value)];
          if (edit.kind === 'move') {
            expect([...has].sort()).toEqual([...had].sort());
            const moved = before.compiled.lines.map(({ key }) => key).filter((key) => edit.keys.includes(key) && !isInside(key, edit.keys, before));
            const group = keysInGroup(after.expanded, edit.spot.within);
            const first = group.indexOf(moved[0] as string);
            expect(group.slice(first, first + moved.length)).toEqual(moved);
            if (edit.spot.after !== null && !moved.includes(edit.spot.after)) expect(group[first - 1]).toBe(edit.spot.after);
            if (edit.spot.after === null) expect(first).toBe(0);
            const others = (keys: readonly string[]) => keys.filter((key) => !moved.includes(key));
            expect(others(group)).toEqual(others(keysInGroup(before.expanded, edit.spot.within)));
          }
          if (edit.kind === 'insert') {
            const group = keysInGroup(after.expanded, edit.spot.within);
            const at = group.indexOf(edit.lines[0]?.key ?? '');
            expect(group.filter((_, place) => place !== at)).toEqual(keysInGroup(before.expanded, edit.spot.within));
            expect(at === 0 ? null : group[at - 1]).toBe(edit.spot.after);
          }
          layout = outcome.value;
        }
      }),
      {
        seed: 601,
        numRuns: 400,
        // Two lines that were put into a category one after the other, the inner first, go to the top together.
        examples: [
          [
            [
              { what: 35, keys: [0], within: 263, after: 0, shape: 0 },
              { what: 35, keys: [0], within: 452, after: 0, shape: 0 },
              { what: 35, keys: [0], within: 502, after: 0, shape: 0 },
              { what: 35, keys: [0], within: 4, after: 0, shape: 0 },
              { what: 35, keys: [0], within: 0, after: 1, shape: 0 },
              { what: 0, keys: [393, 948], within: 0, after: 0, shape: 0 },
            ],
          ],
        ],
      },
    );
  });

  it('leaves coverage true: at fault is exactly what stands in no line, or in more than one, and else the lines add up to the ledger', () => {
    fc.assert(
      fc.property(fc.array(dice, { minLength: 1, maxLength: 10 }), (rolls) => {
        let layout = beginning;
        for (const [number, roll] of rolls.entries()) {
          const before = composed(company, layout);
          const outcome = before.edit(editFor(roll, before, number));
          if (outcome.ok) layout = outcome.value;
        }
        const at = composed(company, layout);
        const { faults, inScope } = at.coverage(net);
        const times = timesTaken(at).slice(0, elements.length);
        const wrong = times.flatMap(({ debit, credit }, index) => (debit === 1 && credit === 1 ? [] : [index]));
        expect(faults.map((fault) => fault.account)).toEqual(wrong);
        expect(inScope).toBe(elements.length);
        for (const { account: index, state } of faults) {
          const { debit, credit } = times[index] as { debit: number; credit: number };
          expect(state).toBe(Math.max(debit, credit) > 1 ? 'doubled' : debit + credit === 0 ? 'unplaced' : 'half_placed');
        }
        const held = at.run(net).amounts;
        const leaves = at.compiled.lines.reduce(
          (sum, line, index) => (line.kind === 'accounts' && countsInGroup(line) ? sum + (held[index] as bigint) : sum),
          0n,
        );
        const expected = net.reduce((sum, amount, index) => {
          const taken = times[index];
          return taken ? sum + amount * BigInt(amount > 0n ? taken.debit : taken.credit) : sum;
        }, 0n);
        expect(leaves).toBe(expected + incomeTaken(at));
      }),
      { seed: 602, numRuns: 400 },
    );
  });
});

describe('the page of any layout', () => {
  it('has under every total the parts that add up to it, at every detail', () => {
    fc.assert(
      fc.property(fc.array(dice, { minLength: 1, maxLength: 10 }), fc.constantFrom(1, 2, 9, 'accounts' as const), (rolls, rungs) => {
        let layout = beginning;
        for (const [number, roll] of rolls.entries()) {
          const before = composed(company, layout);
          const outcome = before.edit(editFor(roll, before, number));
          if (outcome.ok) layout = outcome.value;
        }
        const rows = composed(company, layout).rows([net], { rungs });
        const shown = new Map(rows.filter(({ role }) => role !== 'heading').map((row) => [row.key, row.values[0]]));
        for (const { caption, parts, values } of rows)
          if (parts.length > 0)
            expect(
              parts.reduce((sum, { key, sign }) => sum + BigInt(sign) * (shown.get(key) ?? 0n), 0n),
              caption,
            ).toBe(values[0]);
      }),
      { seed: 603, numRuns: 300 },
    );
  });
});

/** Numbers reach beyond the scope: what an income account gives to lines of the author's. */
function incomeTaken(at: ReturnType<typeof composed>): bigint {
  const taken = timesTaken(at)[elements.length] as { debit: number; credit: number };
  return (net[elements.length] as bigint) * BigInt(taken.credit);
}

function isInside(key: string, keys: readonly string[], at: ReturnType<typeof composed>): boolean {
  return keys.some((other) => {
    const line = at.compiled.lines[at.compiled.indexOf.get(other) ?? -1];
    const holds = (within: Line): boolean => childrenOf(within).some((child) => child.key === key || holds(child));
    return other !== key && at.expanded.origins.get(other)?.kind === 'own' && line !== undefined && holds(line);
  });
}
