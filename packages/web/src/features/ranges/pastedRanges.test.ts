import { buildCategoryTree, type Element } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { pastedRanges, type RangesHere } from './pastedRanges.ts';

const category = (id: number, name: string, parentId: number | null, element: Element = 'asset') => ({
  id,
  name,
  parentId,
  element,
  position: id,
  term: null,
  step: null,
  contraOf: null,
});
const here: RangesHere = {
  tree: buildCategoryTree([
    category(1, 'Current assets', null),
    category(2, 'Cash', 1),
    category(3, 'Other', 1),
    category(4, 'Current liabilities', null, 'liability'),
    category(5, 'Other', 4, 'liability'),
    category(6, 'Bank overdrafts', 4, 'liability'),
  ]),
  digitOrder: 'digit_by_digit',
  numbers: { has: (number) => ['1000', '1010'].includes(number), haveDashes: false },
};
const read = (text: string, at: Parameters<typeof pastedRanges>[1] = null) => {
  const pasted = pastedRanges(text, at, here);
  return pasted && { texts: [...pasted.texts].map(([id, texts]) => [id, Object.fromEntries(texts)]), faults: pasted.faults };
};

describe('a pasted block of ranges', () => {
  it('goes to the categories that it names, wherever one stands; what is empty is left as it is', () => {
    expect(read('Cash\t1000 to 1099\t\nBank overdrafts\t\t\t1010\n')).toEqual({
      texts: [
        [2, { any: '1000 to 1099' }],
        [6, { credit: '1010' }],
      ],
      faults: [],
    });
  });

  it('takes first and last number in two columns, and several rows of one category together', () => {
    expect(read('Category\tFrom\tTo\r\nCASH\t1000\t1009\r\ncash\t1500\t\r\n')?.texts).toEqual([[2, { any: '1000 to 1009, 1500' }]]);
    expect(read('Cash\t1000\t1009\nBank overdrafts\t2000\t2000')?.texts).toEqual([
      [2, { any: '1000 to 1009' }],
      [6, { any: '2000' }],
    ]);
  });

  it('keeps an exception to what it was written of: the next row of the category is no exception', () => {
    expect(read('Cash\t1000 to 1099 except 1050\nCash\t1500')?.texts).toEqual([[2, { any: '1000 to 1099, 1500 except 1050' }]]);
    expect(read('Cash\t1000 to 1099 except 1050\nCash\t1050')?.faults).toEqual([
      { row: 2, said: '«1050» lies within an exception of another row of its category, or the other way round' },
    ]);
  });

  it('reads a dash as a span where no number of the chart has one', () => {
    expect(read('Cash\t1000-1099, 20 – 30 except 25')?.texts).toEqual([[2, { any: '1000 to 1099, 20 to 30 except 25' }]]);
    const dashed = pastedRanges('Cash\t10-99', null, { ...here, numbers: { has: () => false, haveDashes: true } });
    expect(dashed?.texts.get(2)?.get('any')).toBe('10-99');
  });

  it('asks for the path where two have one name, and names what is no category or cannot be read', () => {
    expect(read('Other\t1200\nCurrent assets / Other\t1200\nCash\t10* to 20\nNowhere\t1')).toEqual({
      texts: [
        [3, { any: '1200' }],
        [2, {}],
      ],
      faults: [
        { row: 1, said: '«Other» is the name of 2 categories: write the path, as Parent › Other' },
        { row: 3, said: expect.stringContaining('«10* to 20» cannot be read at «10*»: an asterisk stands at the end of a number only') },
        { row: 4, said: '«Nowhere» is no category here' },
      ],
    });
  });

  it('goes from a cell on to the right and down where it names none', () => {
    expect(read('1000\t1010\n\t1020\n1', { keys: [2, 3], sides: ['any', 'debit', 'credit'] })).toEqual({
      texts: [
        [2, { any: '1000', debit: '1010' }],
        [3, { debit: '1020' }],
      ],
      faults: [{ row: 3, said: 'there is no category left to take it' }],
    });
    expect(read('1000')).toBeNull();
  });
});
