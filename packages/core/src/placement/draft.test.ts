import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { category as plain } from '../statement/statementsOf.fixture.ts';
import { categoryNested, categoryPut, categoryRemoved, siblingsOf } from './categoryMoves.ts';
import { checkDraft } from './checkDraft.ts';
import { amendDraft, applyDraft, emptyDraft, invertDraft, isEmptyDraft, type PlacementChange, rebaseDraft } from './draft.ts';
import type { Place } from './place.ts';
import { type DescribedCategory, type Placement, placementOf } from './placement.ts';

const category = (id: number, fields: Partial<DescribedCategory> = {}): DescribedCategory => ({
  ...plain(id, 'expense'),
  step: fields.parentId == null ? 'other_operating' : null,
  nature: null,
  note: '',
  description: '',
  ranges: [],
  captions: [],
  ...fields,
});
const any = (accountId: number, categoryId: number): Place => ({ accountId, side: 'any', categoryId });
const everyAccount = { has: () => true };
const stands = (...ids: number[]) => new Map(ids.map((id) => [id, [{ side: 'any', categoryId: 1 }] as const]));

describe('a draft of the placement', () => {
  const base = placementOf([category(1), category(2), category(3)], [any(10, 1), any(11, 2)]);

  it('holds each thing once with what it was before, and forgets what comes out as it was', () => {
    const moved = amendDraft(base, emptyDraft, { places: new Map([[10, [{ side: 'any', categoryId: 2 }]]]) });
    const again = amendDraft(base, moved, { places: new Map([[10, [{ side: 'any', categoryId: 3 }]]]) });
    expect(again.places).toEqual([{ accountId: 10, before: [{ side: 'any', categoryId: 1 }], after: [{ side: 'any', categoryId: 3 }] }]);
    expect(isEmptyDraft(amendDraft(base, again, { places: stands(10) }))).toBe(true);
    const renamed = amendDraft(base, emptyDraft, { categories: new Map([[1, category(1, { name: 'Fuel' })]]) });
    expect(isEmptyDraft(amendDraft(base, renamed, { categories: new Map([[1, category(1)]]) }))).toBe(true);
    const added = amendDraft(base, emptyDraft, { categories: new Map([[-1, category(-1)]]) });
    expect(isEmptyDraft(amendDraft(base, added, { categories: new Map([[-1, null]]) }))).toBe(true);
  });

  it('rebases onto what somebody else changed: the same goes, another change is a conflict, the rest stays', () => {
    const draft = amendDraft(base, emptyDraft, {
      places: new Map([
        [10, [{ side: 'any' as const, categoryId: 2 }]],
        [11, [{ side: 'any' as const, categoryId: 3 }]],
        [12, [{ side: 'any' as const, categoryId: 3 }]],
        [13, [{ side: 'any' as const, categoryId: 3 }]],
      ]),
      categories: new Map([[1, category(1, { name: 'Fuel' })]]),
    });
    const current = placementOf([category(1, { name: 'Oil' }), category(2), category(3)], [any(10, 2), any(11, 1)]);
    const { draft: rebased, conflicts } = rebaseDraft(current, draft, { has: (id) => id !== 13 });
    expect(rebased.places.map(({ accountId }) => accountId)).toEqual([12]);
    expect(rebased.categories).toEqual([]);
    expect(conflicts.map(({ thing }) => thing)).toEqual(['account', 'category']);
    expect(rebaseDraft(base, draft, everyAccount)).toEqual({ draft, conflicts: [] });
  });

  it('finds what it must not do', () => {
    const found = (change: PlacementChange) => {
      const draft = amendDraft(nested, emptyDraft, change);
      return checkDraft(applyDraft(nested, draft), draft, (id) => (id === 20 ? 'asset' : 'expense'), 'digit_by_digit').map((fault) =>
        'reason' in fault ? `${fault.code} ${fault.reason}` : fault.code,
      );
    };
    const nested = placementOf(
      [category(1), category(2, { parentId: 1 }), category(3), category(4, { element: 'asset', step: null, term: 'current' })],
      [any(10, 2)],
    );
    const put = (one: DescribedCategory) => ({ categories: new Map([[one.id, one]]) });
    expect(found(put(category(1, { parentId: 2, step: null })))).toEqual(['category_nesting_refused own_descendant']);
    expect(found(put(category(3, { parentId: 4, step: null })))).toEqual(['category_nesting_refused other_element']);
    expect(found(put(category(3, { parentId: 99, step: null })))).toEqual(['category_nesting_refused parent_gone']);
    expect(found(put(category(3, { name: 'CATEGORY 1' })))).toEqual(['category_name_taken']);
    expect(found(put(category(3, { contraOf: 2 })))).toEqual(['category_field_refused']);
    expect(found(put(category(3, { step: null })))).toEqual(['category_field_refused']);
    expect(found(put(category(3, { ranges: [{ side: 'any', text: '6000 to' }] })))).toEqual(['range_text_malformed number_missing']);
    expect(found({ categories: new Map([[2, null]]) })).toEqual(['category_held']);
    expect(found({ categories: new Map([[1, null]]) })).toEqual(['category_held']);
    expect(found({ places: new Map([[20, [{ side: 'any', categoryId: 3 }]]]) })).toEqual(['element_clash']);
    expect(found({ categories: new Map([[3, null]]) })).toEqual([]);
  });
});

describe('moves of categories', () => {
  const base = placementOf(
    [
      category(1, { position: 1000 }),
      category(2, { position: 1001 }),
      category(3, { position: 3000 }),
      category(4, { parentId: 3, position: 1000, name: 'Below' }),
    ],
    [any(10, 3), any(11, 4)],
  );
  const after = (change: PlacementChange) => applyDraft(base, amendDraft(base, emptyDraft, change));
  const order = (placement: Placement) => siblingsOf(placement, { parentId: null, element: 'expense' }).map(({ id }) => id);

  it('put one behind another, and give its siblings other positions only where there is no room', () => {
    const third = base.categories.get(3) as DescribedCategory;
    expect(order(after(categoryPut(base, third, null)))).toEqual([3, 1, 2]);
    expect(categoryPut(base, base.categories.get(1) as DescribedCategory, 2).categories?.size).toBe(1);
    const crowded = categoryPut(base, third, 1);
    expect(crowded.categories?.size).toBe(3);
    expect(order(after(crowded))).toEqual([1, 3, 2]);
  });

  it('nest one elsewhere, where it says no more what only a top category says', () => {
    const nested = after(categoryNested(base, base.categories.get(3) as DescribedCategory, 1, 'last', { term: null, step: null }));
    expect(nested.categories.get(3)).toMatchObject({ parentId: 1, step: null });
    expect(nested.categories.get(4)?.parentId).toBe(3);
  });

  it('take one away: its accounts and ranges go where they are sent, what is below it goes up', () => {
    const ranged = applyDraft(base, {
      places: [],
      categories: [
        { id: 3, before: null, after: { ...(base.categories.get(3) as DescribedCategory), ranges: [{ side: 'any', text: '6000 to 6099' }] } },
        { id: 1, before: null, after: { ...(base.categories.get(1) as DescribedCategory), ranges: [{ side: 'any', text: '7000' }] } },
      ],
    });
    const gone = categoryRemoved(ranged, 3, 1, false, 'digit_by_digit');
    const result = applyDraft(ranged, amendDraft(ranged, emptyDraft, gone as PlacementChange));
    expect(result.categories.has(3)).toBe(false);
    expect(result.categories.get(1)?.ranges).toEqual([{ side: 'any', text: '7000, 6000 to 6099' }]);
    expect(result.categories.get(4)).toMatchObject({ parentId: null, step: 'other_operating' });
    expect(result.places.get(10)).toEqual([{ side: 'any', categoryId: 1 }]);
    expect(result.places.get(11)).toEqual([{ side: 'any', categoryId: 4 }]);
    const unplaced = applyDraft(base, amendDraft(base, emptyDraft, categoryRemoved(base, 3, null, false, 'digit_by_digit') as PlacementChange));
    expect(unplaced.places.has(10)).toBe(false);
  });

  it('keep the order of what goes up, between what stood around', () => {
    const placed = placementOf(
      [
        category(1, { position: 1000 }),
        category(2, { position: 2000 }),
        category(9, { position: 3000 }),
        category(7, { parentId: 2, position: 1000, name: 'First' }),
        category(5, { parentId: 2, position: 2000, name: 'Second' }),
      ],
      [],
    );
    const gone = applyDraft(placed, amendDraft(placed, emptyDraft, categoryRemoved(placed, 2, null, false, 'digit_by_digit') as PlacementChange));
    expect(order(gone)).toEqual([1, 7, 5, 9]);
    const merged = applyDraft(placed, amendDraft(placed, emptyDraft, categoryRemoved(placed, 2, 9, true, 'digit_by_digit') as PlacementChange));
    expect(siblingsOf(merged, { parentId: 9, element: 'expense' }).map(({ id }) => id)).toEqual([7, 5]);
  });

  it('do not make one text of two ranges where an exception would leave out what the other takes', () => {
    const excepting = (text: string, id: number) => ({
      id,
      before: null,
      after: { ...(base.categories.get(id) as DescribedCategory), ranges: [{ side: 'any' as const, text }] },
    });
    const ranged = applyDraft(base, { places: [], categories: [excepting('6000 to 6999 except 6500', 3), excepting('6500', 1)] });
    expect(categoryRemoved(ranged, 3, 1, false, 'digit_by_digit')).toBeNull();
  });
});

it('taking back any sequence of changes restores the placement to the byte', () => {
  const base = placementOf(
    Array.from({ length: 6 }, (_, at) => category(at + 1, { position: (at + 1) * 1000 })),
    Array.from({ length: 8 }, (_, at) => any(at + 100, (at % 6) + 1)),
  );
  const text = ({ categories, places }: Placement) => JSON.stringify([[...categories].sort(([a], [b]) => a - b), [...places].sort(([a], [b]) => a - b)]);
  const step = fc.oneof(
    fc.record({ kind: fc.constant('move' as const), account: fc.integer({ min: 100, max: 109 }), to: fc.integer({ min: 1, max: 6 }) }),
    fc.record({ kind: fc.constant('rename' as const), id: fc.integer({ min: 1, max: 6 }), name: fc.string({ minLength: 1, maxLength: 5 }) }),
    fc.record({ kind: fc.constant('remove' as const), id: fc.integer({ min: 1, max: 6 }), into: fc.integer({ min: 1, max: 6 }) }),
    fc.record({ kind: fc.constant('order' as const), id: fc.integer({ min: 1, max: 6 }), after: fc.integer({ min: 1, max: 6 }) }),
    fc.record({ kind: fc.constant('nest' as const), id: fc.integer({ min: 1, max: 6 }), into: fc.integer({ min: 1, max: 6 }) }),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
      let draft = emptyDraft;
      for (const one of steps) {
        const now = applyDraft(base, draft);
        const own = 'id' in one ? now.categories.get(one.id) : undefined;
        const change = ((): PlacementChange | null => {
          if (one.kind === 'move') return now.categories.has(one.to) ? { places: new Map([[one.account, [{ side: 'any', categoryId: one.to }]]]) } : null;
          if (!own) return null;
          if (one.kind === 'rename') return { categories: new Map([[one.id, { ...own, name: one.name }]]) };
          if (one.kind === 'order') return one.after !== one.id ? categoryPut(now, own, now.categories.has(one.after) ? one.after : null) : null;
          if (one.into === one.id || !now.categories.has(one.into)) return null;
          if (one.kind === 'nest') return categoryNested(now, own, one.into, 'last', { term: null, step: null });
          return categoryRemoved(now, one.id, one.into, true, 'digit_by_digit');
        })();
        if (change) draft = amendDraft(base, draft, change);
      }
      const after = applyDraft(base, draft);
      expect(text(applyDraft(after, invertDraft(draft)))).toBe(text(base));
      expect(rebaseDraft(after, invertDraft(draft), everyAccount)).toEqual({ draft: invertDraft(draft), conflicts: [] });
      expect(isEmptyDraft(rebaseDraft(after, draft, everyAccount).draft)).toBe(true);
    }),
    { numRuns: 300 },
  );
});
