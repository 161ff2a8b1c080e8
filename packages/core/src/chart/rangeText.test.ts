import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type NumberRange, type NumberRanges, numberKey, rangeTest } from './numberRange.ts';
import { readRangeText, writeRangeText } from './rangeText.ts';

const held = (text: string, numbers: readonly string[], order: 'by_value' | 'digit_by_digit' = 'by_value'): string[] => {
  const read = readRangeText(text, order);
  if (!read.ok) throw new Error(`${text}: ${read.failure.reason}`);
  const holds = rangeTest(read.value, order);
  return numbers.filter((number) => holds(numberKey(number, order)));
};

describe('a range of account numbers', () => {
  it('holds both ends and what lies between in number order, several at once, less exceptions', () => {
    const numbers = ['999', '1000', '1500', '1999', '2000', '2105', '2106', '2400', '2450', '2499', '24'];
    expect(held('1000 to 1999, 2105, 24* except 2450', numbers)).toEqual(['1000', '1500', '1999', '2105', '2400', '2499', '24']);
  });

  it('holds at its upper end every number that begins with it, part by part or digit by digit', () => {
    expect(held('101 to 120', ['100', '101', '101.3', '119.9', '120', '120.6', '121', '1200'])).toEqual(['101', '101.3', '119.9', '120', '120.6']);
    expect(held('101 to 120', ['10', '101', '1013', '12', '120', '1206', '121'], 'digit_by_digit')).toEqual(['101', '1013', '12', '120', '1206']);
    expect(held('2105', ['2105', '2105.01', '21050'])).toEqual(['2105', '2105.01']);
  });

  it('is open at either end, or at both', () => {
    const numbers = ['99', '100', '101', 'A-1'];
    expect(held('from 100', numbers)).toEqual(['100', '101', 'A-1']);
    expect(held('up to 100', numbers)).toEqual(['99', '100']);
    expect(held('*', numbers)).toEqual(numbers);
    expect(held('', numbers)).toEqual([]);
  });

  it('takes letters without regard to case, and numbers of several words', () => {
    expect(held('ab-1 to AB-9', ['AB-1', 'ab-5', 'AC-1'])).toEqual(['AB-1', 'ab-5']);
    expect(held('40 210 to 40 215', ['40 209', '40 210', '40 215 03'])).toEqual(['40 210', '40 215 03']);
    expect(held('"1,5"*', ['1,5', '1,50', '15'])).toEqual(['1,5', '1,50']);
  });
});

describe('the text of a range', () => {
  it.each([
    ['1000 to', 7, 0, 'number_missing'],
    ['1000,, 2000', 5, 0, 'number_missing'],
    ['to 2000', 0, 0, 'number_missing'],
    ['1999 to 1000', 0, 12, 'upside_down'],
    ['10 to 20 to 30', 9, 2, 'word_out_of_place'],
    ['2*4', 0, 3, 'star_not_at_end'],
    ['10* to 20', 0, 3, 'star_not_at_end'],
    ['10 except 11 except 12', 13, 6, 'except_twice'],
    ['except 12', 0, 6, 'nothing_before_except'],
    ['10 except', 9, 0, 'number_missing'],
    ['10, "20', 4, 3, 'quote_left_open'],
    ['from', 4, 0, 'number_missing'],
    ['up 20', 0, 2, 'word_out_of_place'],
  ] as const)('%s is wrong at %i, %i characters: %s', (text, at, length, reason) => {
    expect(readRangeText(text, 'by_value')).toEqual({ ok: false, failure: { code: 'range_text_malformed', at, length, reason } });
  });

  it('reads back to the same ranges, whatever the numbers', () => {
    const number = fc.oneof(
      fc.stringMatching(/^[0-9A-Za-z.\-/]{1,8}$/),
      fc.string({ minLength: 1, maxLength: 8 }),
      fc.constantFrom('to', 'from', 'up to', 'a,b', '7*'),
    );
    const range: fc.Arbitrary<NumberRange> = fc.oneof(
      number.map((with_): NumberRange => ({ kind: 'begins', with: with_ })),
      number.map((one): NumberRange => ({ kind: 'span', from: one, to: one })),
      number.map((from): NumberRange => ({ kind: 'span', from, to: null })),
      number.map((to): NumberRange => ({ kind: 'span', from: null, to })),
    );
    const ranges: fc.Arbitrary<NumberRanges> = fc.record({
      include: fc.array(range, { minLength: 1, maxLength: 4 }),
      except: fc.array(range, { maxLength: 3 }),
    });
    fc.assert(
      fc.property(ranges, (given) => {
        expect(readRangeText(writeRangeText(given), 'by_value')).toEqual({ ok: true, value: given });
      }),
      { seed: 415 },
    );
  });
});
