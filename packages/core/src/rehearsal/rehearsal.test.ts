import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { elements, isIncomeOrExpense } from '../chart/element.ts';
import { standingOf } from '../placement/categoryRange.ts';
import { buildCategoryTree } from '../placement/categoryTree.ts';
import { amendDraft, applyDraft, emptyDraft } from '../placement/draft.ts';
import type { Place } from '../placement/place.ts';
import { type DescribedCategory, type Placement, type PlacesOfAccount, placementOf } from '../placement/placement.ts';
import { rangesOfCategories, standingFollower } from '../placement/standingFollower.ts';
import { account, category, statementsOf } from '../statement/statementsOf.fixture.ts';
import { figuresOver } from './placementFigures.ts';
import { rehearsedLedger } from './rehearsedLedger.fixture.ts';
import { changedTotals, effectOf } from './rehearsePlacement.ts';

const described = (...args: Parameters<typeof category>): DescribedCategory => ({
  ...category(...args),
  nature: null,
  note: '',
  description: '',
  ranges: [],
  captions: [],
});

/** Two categories of each element, the second one below the first; twenty accounts, four of each element. */
const categories = elements.flatMap((element, at): DescribedCategory[] => {
  const term = element === 'asset' || element === 'liability' ? ('current' as const) : null;
  const step = isIncomeOrExpense(element) ? ('other_operating' as const) : null;
  return [described(10 * at + 1, element, { term, step }), described(10 * at + 2, element, { parentId: 10 * at + 1, name: 'Below' })];
});
const accounts = Array.from({ length: 20 }, (_, at) => account(at + 1, elements[at % 5] as (typeof elements)[number]));
const ofElement = (accountId: number, second: boolean): number => 10 * ((accountId - 1) % 5) + (second ? 2 : 1);

const ledgerOf = (net: readonly bigint[]) => rehearsedLedger(accounts, net);
const listOf = ({ places }: Placement): Place[] => [...places].flatMap(([accountId, own]) => own.map((place) => ({ ...place, accountId })));

/** One for each account: stands nowhere, in the first category of its element, in the second, or in one of each side. */
const anyPlaces = fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 20, maxLength: 20 });
const placesFrom = (choices: readonly number[]): Map<number, PlacesOfAccount> =>
  new Map(
    choices.map((choice, at): [number, PlacesOfAccount] => {
      const id = at + 1;
      if (choice === 0) return [id, []];
      if (choice < 3) return [id, [{ side: 'any', categoryId: ofElement(id, choice === 2) }]];
      return [id, [{ side: 'debit', categoryId: ofElement(id, false) }]];
    }),
  );
const anyLedger = fc
  .array(fc.bigInt({ min: -1000n, max: 1000n }), { minLength: 19, maxLength: 19 })
  .map((net) => [...net, -net.reduce((sum, one) => sum + one, 0n)]);

describe('what a rehearsal says', () => {
  it('is what both statements show when they are run before and after', () => {
    fc.assert(
      fc.property(anyLedger, anyPlaces, anyPlaces, (net, first, second) => {
        const base = placementOf(
          categories,
          listOf(applyDraft(placementOf(categories, []), amendDraft(placementOf(categories, []), emptyDraft, { places: placesFrom(first) }))),
        );
        const after = applyDraft(base, amendDraft(base, emptyDraft, { places: placesFrom(second) }));
        const stand = standingFollower(accounts, 'digit_by_digit');
        const ledger = ledgerOf(net);
        const [was, is] = [figuresOver(ledger)(stand(base)), figuresOver(ledger)(stand(after))];
        const effect = effectOf(was, is);
        for (const kind of ['balance_sheet', 'income_statement'] as const) {
          const shown = (placement: Placement) =>
            statementsOf({ categories, accounts, places: listOf(placement) })
              .rows(kind, [net], { rungs: 9 })
              .flatMap(({ key, role, values }) => (role === 'heading' ? [] : [[`${key} ${role}` as string, values[0]] as const]));
          const [before, behind] = [new Map(shown(base)), new Map(shown(after))];
          const differing = [...new Set([...before.keys(), ...behind.keys()])].filter((key) => before.get(key) !== behind.get(key));
          const told = effect.lines.filter((line) => line.kind === kind && line.role !== 'heading');
          expect(told.map(({ key, role }) => `${key} ${role}`).sort()).toEqual(differing.sort());
          for (const line of told) {
            expect(line.before?.[0]).toBe(before.get(`${line.key} ${line.role}`));
            expect(line.after?.[0]).toBe(behind.get(`${line.key} ${line.role}`));
          }
        }
        // Portions in no line are what the statements miss.
        const missed = (placement: Placement) => {
          const { portions } = stand(placement);
          return accounts.reduce((sum, { id }, at) => {
            const amount = net[at] as bigint;
            const stands = portions.get(id);
            return (amount > 0n ? stands?.debit : stands?.credit) == null ? sum + amount : sum;
          }, 0n);
        };
        expect(is.profitMissed - is.outOfBalance).toBe(missed(after));
        expect(changedTotals(effect).every(({ before, after: then }) => before?.[0] !== then?.[0])).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
});

it('standing that is followed from placement to placement is what it is when it is worked out anew', () => {
  const text = fc.constantFrom('', '1001 to 1010', '1005', '1015 to 1020', 'from 1018', '101*', '1003 to 1012 except 1007');
  const step = fc.oneof(
    fc.record({ kind: fc.constant('place' as const), account: fc.integer({ min: 1, max: 20 }), choice: fc.integer({ min: 0, max: 3 }) }),
    fc.record({
      kind: fc.constant('range' as const),
      id: fc.constantFrom(...categories.map(({ id }) => id)),
      side: fc.constantFrom('any' as const, 'debit' as const, 'credit' as const),
      text,
    }),
    fc.record({ kind: fc.constant('rename' as const), id: fc.constantFrom(...categories.map(({ id }) => id)) }),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 20 }), (taken) => {
      const follow = standingFollower(accounts, 'digit_by_digit');
      let placement = placementOf(categories, []);
      for (const one of taken) {
        const own = 'id' in one ? (placement.categories.get(one.id) as DescribedCategory) : null;
        const change =
          one.kind === 'place'
            ? { places: new Map([[one.account, placesFrom(Array.from({ length: 20 }, () => one.choice)).get(one.account) as PlacesOfAccount]]) }
            : {
                categories: new Map([
                  [
                    one.id,
                    one.kind === 'rename'
                      ? { ...(own as DescribedCategory), name: `${own?.name}x` }
                      : { ...(own as DescribedCategory), ranges: one.text === '' ? [] : [{ side: one.side, text: one.text }] },
                  ],
                ]),
              };
        placement = applyDraft(placement, amendDraft(placement, emptyDraft, change));
        const followed = follow(placement);
        const tree = buildCategoryTree([...placement.categories.values()]);
        const anew = standingOf(accounts, listOf(placement), rangesOfCategories(placement.categories.values()), tree, 'digit_by_digit');
        expect([...followed.portions].sort(([a], [b]) => a - b)).toEqual([...anew.portions].sort(([a], [b]) => a - b));
        expect([...followed.byRange].sort(([a], [b]) => a - b)).toEqual([...anew.byRange].sort(([a], [b]) => a - b));
      }
    }),
    { numRuns: 150 },
  );
});
