import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { PlacementDraft } from './draft.ts';
import { leftOfDraft, mergeDrafts } from './mergeDrafts.ts';
import type { DescribedCategory } from './placement.ts';

const move = (accountId: number, categoryId: number): PlacementDraft['places'][number] => ({
  accountId,
  before: [],
  after: [{ side: 'any', categoryId }],
});
const begun = (id: number, name: string): PlacementDraft['categories'][number] => ({
  id,
  before: null,
  after: {
    id,
    name,
    element: 'asset',
    parentId: null,
    position: 0,
    term: null,
    step: null,
    contraOf: null,
    nature: null,
    note: '',
    description: '',
    ranges: [],
    captions: [],
  } satisfies DescribedCategory,
});
const anyDraft = fc
  .uniqueArray(fc.record({ account: fc.integer({ min: 1, max: 12 }), to: fc.integer({ min: 1, max: 3 }) }), { selector: ({ account }) => account })
  .map((moves): PlacementDraft => ({ places: moves.map(({ account, to }) => move(account, to)), categories: [] }));
const standing = ({ places }: PlacementDraft) => new Map(places.map(({ accountId, after }) => [accountId, after[0]?.categoryId]));

describe('two drafts that went on from one', () => {
  it('are one where either was left as it was, whatever the other did', () => {
    fc.assert(
      fc.property(anyDraft, anyDraft, (base, other) => {
        expect(standing(mergeDrafts(base, base, other).draft)).toEqual(standing(other));
        expect(standing(mergeDrafts(base, other, base).draft)).toEqual(standing(other));
        expect(mergeDrafts(base, other, base)).toMatchObject({ joined: 0, overridden: { accountIds: [] } });
      }),
    );
  });

  it('keep what each did to every account; where both did something else, mine stands and is told', () => {
    fc.assert(
      fc.property(anyDraft, anyDraft, anyDraft, (base, mine, theirs) => {
        const { draft, joined, overridden } = mergeDrafts(base, mine, theirs);
        const [b, m, t, is] = [standing(base), standing(mine), standing(theirs), standing(draft)];
        let fromTheirs = 0;
        for (let account = 1; account <= 12; account++) {
          const [mineDid, theirsDid] = [m.get(account) !== b.get(account), t.get(account) !== b.get(account)];
          expect(is.get(account)).toBe(theirsDid && !mineDid ? t.get(account) : m.get(account));
          expect(overridden.accountIds.includes(account)).toBe(mineDid && theirsDid && m.get(account) !== t.get(account));
          if (theirsDid && !mineDid) fromTheirs++;
        }
        expect(joined).toBe(fromTheirs);
      }),
    );
  });

  it('have two categories where each began one under the same id, and accounts stand in that of their window', () => {
    const mine = { places: [move(1, -1)], categories: [begun(-1, 'Mine')] };
    const theirs = { places: [move(2, -1)], categories: [begun(-1, 'Theirs')] };
    const { draft, ids } = mergeDrafts({ places: [], categories: [] }, mine, theirs);
    expect([...ids]).toEqual([[-1, -2]]);
    expect(draft.categories.map(({ id, after }) => [id, after?.name])).toEqual([
      [-2, 'Mine'],
      [-1, 'Theirs'],
    ]);
    expect([...standing(draft)]).toEqual([
      [1, -2],
      [2, -1],
    ]);
  });
});

describe('what is left of a draft once another was applied', () => {
  it('is what that did not have or has otherwise', () => {
    fc.assert(
      fc.property(anyDraft, anyDraft, (draft, applied) => {
        const [was, did, is] = [standing(draft), standing(applied), standing(leftOfDraft(draft, applied))];
        for (let account = 1; account <= 12; account++) expect(is.get(account)).toBe(was.get(account) === did.get(account) ? undefined : was.get(account));
      }),
    );
  });

  it('changes a category that both began instead of beginning it again', () => {
    const [mine, theirs] = [begun(-1, 'Mine'), begun(-1, 'Theirs')];
    const left = leftOfDraft({ places: [], categories: [mine] }, { places: [], categories: [theirs] });
    expect(left.categories).toEqual([{ ...mine, before: theirs.after }]);
  });
});
