import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readRangeText } from '../chart/rangeText.ts';
import { type CategoryRange, portionsOf, rangePlacer } from './categoryRange.ts';
import { buildCategoryTree } from './categoryTree.ts';
import type { DescribedCategory } from './placement.ts';
import { sideMoved } from './sideMoved.ts';

const described = (
  id: number,
  element: DescribedCategory['element'],
  parentId: number | null,
  ranges: DescribedCategory['ranges'] = [],
): DescribedCategory => ({
  id,
  element,
  name: `Category ${id}`,
  parentId,
  position: id,
  term: null,
  step: null,
  contraOf: null,
  nature: null,
  note: '',
  description: '',
  ranges,
  captions: [],
});

function standsAfter(categories: ReadonlyMap<number, DescribedCategory>, number: string) {
  const ranges = [...categories.values()].flatMap(({ id, ranges: own }) =>
    own.flatMap(({ side, text }): CategoryRange[] => {
      const read = readRangeText(text, 'digit_by_digit');
      return read.ok ? [{ categoryId: id, side, ranges: read.value }] : [];
    }),
  );
  const placer = rangePlacer(ranges, buildCategoryTree([...categories.values()]), 'digit_by_digit');
  return portionsOf(placer({ id: 1, number, element: 'asset' }, [])?.places ?? []);
}

const [cash, overdrafts, loans, reserve] = [1, 2, 3, 4];
const before = (credit: DescribedCategory['ranges'] = []) =>
  new Map(
    [
      described(cash, 'asset', null, [{ side: 'any', text: '1000 to 1099' }]),
      described(overdrafts, 'liability', null),
      described(loans, 'liability', null, credit),
      described(reserve, 'asset', cash),
    ].map((category) => [category.id, category]),
  );
const after = (categories: ReadonlyMap<number, DescribedCategory>, number: string, to: number, side: 'debit' | 'credit') =>
  standsAfter(new Map([...categories, ...(sideMoved(categories, [number], to, side, 'digit_by_digit') ?? [])]), number);

describe('a side moved by a range', () => {
  it('leaves the other side to the range that has it, so that it follows that range wherever it goes', () => {
    expect(after(before(), '1010', overdrafts, 'credit')).toEqual({ debit: cash, credit: overdrafts });
    const moved = new Map([...before(), ...(sideMoved(before(), ['1010'], overdrafts, 'credit', 'digit_by_digit') ?? [])]);
    moved.set(reserve, { ...(moved.get(reserve) as DescribedCategory), ranges: [{ side: 'any', text: '1000 to 1099' }] });
    expect(standsAfter(moved, '1010')).toEqual({ debit: reserve, credit: overdrafts });
  });

  it('is in one category alone where a range for that side had it elsewhere', () => {
    const had = before([{ side: 'credit', text: '1000 to 1099' }]);
    expect(standsAfter(had, '1010')).toEqual({ debit: cash, credit: loans });
    expect(after(had, '1010', overdrafts, 'credit')).toEqual({ debit: cash, credit: overdrafts });
    expect(after(had, '1011', reserve, 'credit')).toEqual({ debit: cash, credit: reserve });
  });

  it('changes nothing where it stands there already', () => {
    const had = before([{ side: 'credit', text: '10*' }]);
    expect(sideMoved(had, ['1010'], loans, 'credit', 'digit_by_digit')).toEqual(new Map());
  });

  it('is refused where an exception over more numbers keeps it out', () => {
    expect(sideMoved(before([{ side: 'credit', text: '10* except 101*' }]), ['1010'], loans, 'credit', 'digit_by_digit')).toBeNull();
  });

  it('goes wherever it is moved, one move after another, and the other side stays', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(overdrafts, loans, reserve), fc.constantFrom('1000', '1010', '1011', '1099')), { maxLength: 8 }),
        (moves) => {
          let categories = before();
          const stands = new Map<string, number>();
          for (const [to, number] of moves) {
            categories = new Map([...categories, ...(sideMoved(categories, [number], to, 'credit', 'digit_by_digit') ?? [])]);
            stands.set(number, to);
          }
          for (const [number, to] of stands) expect(standsAfter(categories, number)).toEqual({ debit: cash, credit: to });
        },
      ),
    );
  });
});
