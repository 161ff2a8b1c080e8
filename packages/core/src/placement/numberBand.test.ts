import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DigitOrder } from '../chart/numberOrder.ts';
import { numberKey, rangeTest } from '../chart/numberRange.ts';
import { readRangeText, writeRangeText } from '../chart/rangeText.ts';
import { category as plain } from '../statement/statementsOf.fixture.ts';
import { buildCategoryTree } from './categoryTree.ts';
import { numberBand } from './numberBand.ts';
import type { DescribedCategory } from './placement.ts';
import { rangesHolding, rangesJoined, rangesMoved, rangesWith } from './rangeMoves.ts';

const category = (id: number, text: string, fields: Partial<DescribedCategory> = {}): DescribedCategory => ({
  ...plain(id, 'expense'),
  nature: null,
  note: '',
  description: '',
  ranges: text === '' ? [] : [{ side: 'any', text }],
  captions: [],
  ...fields,
});
const bandOf = (numbers: readonly string[], categories: readonly DescribedCategory[], order: DigitOrder = 'digit_by_digit') =>
  numberBand(numbers, categories, buildCategoryTree(categories), order);

describe('the number band', () => {
  const numbers = ['5000', '5110', '5210', '5345', '5450', '5460', '5990'];

  it('draws ranges as far apart as their numbers are, says what overlaps, and lays subcategories below', () => {
    const band = bandOf(numbers, [
      category(1, '5000 to 5199'),
      category(2, '5400 to 5599 except 5500 to 5509'),
      category(3, '5440 to 5480'),
      category(4, '5100 to 5149', { parentId: 1, name: 'Below' }),
    ]);
    expect(band.spans.map(({ categoryId, first, last, lane, alsoIn }) => [categoryId, first, last, lane, alsoIn])).toEqual([
      [1, '5000', '5199', 0, []],
      [2, '5400', '5480', 0, [3]],
      [3, '5440', '5480', 1, [2]],
      [2, '5599', '5599', 0, []],
      [4, '5100', '5149', 1, []],
    ]);
    expect(band.at('5500') - band.at('5000')).toBeCloseTo(0.5, 2);
    expect(band.marks.map(({ number }) => number)).toEqual(['5000', '5100', '5200', '5300', '5400', '5500', '5600', '5700', '5800', '5900', '6000']);
    expect([band.numberAt(0.5, 'first'), band.numberAt(0.5, 'last'), band.moved('5199', 1, 'last'), band.moved('5000', 2, 'first')]).toEqual([
      '5500',
      '5499',
      '5209',
      '5020',
    ]);
  });

  it('stands one number beside the other where they are not of as many digits', () => {
    const band = bandOf(['A-10-100', 'A-10-200', 'B-20-100'], [category(1, 'A-10-100 to A-10-200')], 'by_value');
    expect(band.spans).toMatchObject([{ first: 'A-10-100', last: 'A-10-200', hasFirst: true, hasLast: true }]);
    expect(band.moved('A-10-200', 1, 'last')).toBe('B-20-100');
  });

  it('has a handle for an end that is no number on it: beyond its end, or of other digits', () => {
    const few = bandOf(['1010', '1020', '1100'], [category(1, '1000 to 1099'), category(2, '1100 to 1999')]);
    expect(few.spans.map(({ first, last, hasFirst, hasLast, to }) => [first, last, hasFirst, hasLast, to === 1])).toEqual([
      ['1000', '1099', true, true, false],
      ['1100', '1999', true, true, true],
    ]);
    expect([few.moved('1999', -1, 'last'), few.moved('1999', 1, 'last')]).toEqual(['1109', '1999']);
    const words = bandOf(['A-10', 'B-20', 'C-30'], [category(1, 'A-05 to B-99'), category(2, 'C to D')], 'by_value');
    expect(words.spans.map(({ first, last, hasFirst, hasLast }) => [first, last, hasFirst, hasLast])).toEqual([
      ['A-05', 'B-99', true, true],
      ['C', 'D', true, true],
    ]);
    expect([words.moved('D', -1, 'last'), words.moved('A-05', 1, 'first'), words.moved('A-05', -1, 'first')]).toEqual(['C-30', 'A-10', 'A-05']);
  });

  it('has no handle where an exception, and not the end, is where a span stops', () => {
    const [span] = bandOf(['1000', '1050', '1099'], [category(1, '1000 to 1999 except 1090 to 1999')]).spans;
    expect(span).toMatchObject({ first: '1000', last: '1050', hasFirst: true, hasLast: false });
  });

  it('has a tick within a span exactly where the text holds its number', () => {
    const number = fc.oneof(fc.integer({ min: 1000, max: 1999 }).map(String), fc.constantFrom('101', '1013', '411.8', '411.10', 'A-1', 'A-1-2'));
    const part = fc.oneof(
      fc.tuple(number, number).map(([from, to]) => `${from} to ${to}`),
      number,
      number.map((one) => `${one.slice(0, 2)}*`),
      number.map((one) => `from ${one}`),
      number.map((one) => `up to ${one}`),
    );
    fc.assert(
      fc.property(
        fc.array(number, { minLength: 1, maxLength: 20 }),
        fc.array(part, { minLength: 1, maxLength: 3 }),
        fc.array(part, { maxLength: 2 }),
        fc.constantFrom('by_value' as const, 'digit_by_digit' as const),
        (numbers, include, except, order) => {
          const text = `${include.join(', ')}${except.length > 0 ? ` except ${except.join(', ')}` : ''}`;
          const read = readRangeText(text, null);
          if (!read.ok) throw new Error(text);
          expect(readRangeText(writeRangeText(read.value), null)).toEqual(read);
          const holds = rangeTest(read.value, order);
          const band = bandOf(numbers, [category(1, text)], order);
          for (const one of numbers) {
            const at = band.at(one);
            expect(band.spans.some(({ from, to }) => from <= at && at <= to)).toBe(holds(numberKey(one, order)));
          }
        },
      ),
      { numRuns: 400 },
    );
  });
});

describe('ranges', () => {
  it('that hold some numbers hold none of the others', () => {
    const number = fc.oneof(fc.integer({ min: 100, max: 160 }).map(String), fc.constantFrom('411', '411.8', '411.9', '411.10', '41', '4', 'A-1', 'A-1-2'));
    fc.assert(
      fc.property(
        fc.uniqueArray(number, { minLength: 1, maxLength: 25 }),
        fc.integer({ min: 1, max: 25 }),
        fc.constantFrom('by_value' as const, 'digit_by_digit' as const),
        (numbers, count, order) => {
          const [some, others] = [numbers.slice(0, count), numbers.slice(count)];
          const ranges = rangesHolding(some, others, order);
          // Only where a number that is left out is what another one begins with.
          if (ranges === null) {
            expect(others.some((other) => some.some((one) => one.startsWith(other)))).toBe(true);
            return;
          }
          const holds = rangeTest(ranges, order);
          expect(numbers.filter((one) => holds(numberKey(one, order))).sort()).toEqual([...some].sort());
        },
      ),
      { numRuns: 500 },
    );
  });

  it('of two categories become one text that takes what either takes, or none where an exception is in the way', () => {
    const any = (text: string) => [{ side: 'any' as const, text }];
    expect(rangesJoined(any('100 to 199 except 150'), any('300'), 'digit_by_digit')).toEqual(any('100 to 199, 300 except 150'));
    expect(rangesJoined(any('100 to 199 except 150'), any('150'), 'digit_by_digit')).toBeNull();
    expect(rangesJoined(any('100 to 199 except 15*'), any('152'), 'digit_by_digit')).toBeNull();
    expect(rangesJoined(any('100 to 199 except 150'), any('*'), 'digit_by_digit')).toBeNull();
    expect(rangesJoined(any('100'), [{ side: 'credit', text: '100' }], 'digit_by_digit')).toEqual([...any('100'), { side: 'credit', text: '100' }]);
  });

  it('get other ends, more numbers, and exceptions', () => {
    const texts = [{ side: 'any' as const, text: '100 to 199, 300 to 320 except 150' }];
    expect(rangesMoved(texts, 'any', 1, 'last', '349', 'digit_by_digit')).toEqual([{ side: 'any', text: '100 to 199, 300 to 349 except 150' }]);
    expect(rangesMoved(texts, 'any', 1, 'last', '200', 'digit_by_digit')).toBeNull();
    expect(rangesWith(texts, 'any', { leaveOut: ['310'] })).toEqual([{ side: 'any', text: '100 to 199, 300 to 320 except 150, 310' }]);
    expect(rangesWith([], 'any', { add: [{ kind: 'span', from: '7', to: '7' }] })).toEqual([{ side: 'any', text: '7' }]);
  });
});
