import { describe, expect, it } from 'vitest';
import { type ChartNumbers, numbersUnknown, readTypedRange } from './typedRange.ts';

const plain: ChartNumbers = { has: (number) => ['1000', '1010', '2000'].includes(number), haveDashes: false };
const dashed: ChartNumbers = { has: (number) => ['10-1', '10-2'].includes(number), haveDashes: true };
const read = (text: string, numbers = plain) => {
  const outcome = readTypedRange(text, numbers, 'digit_by_digit');
  return outcome.ok ? outcome.value.text : outcome.failure.reason;
};

describe('a range as it is typed', () => {
  it('stays what was written where no dash stands for a span', () => {
    expect(read('  1000 TO 1999,2105 ')).toBe('1000 TO 1999,2105');
    expect(read('')).toBe('');
  });

  it('has dashes of every kind as spans, also among exceptions, and beside other parts', () => {
    expect(read('1000-1999')).toBe('1000 to 1999');
    expect(read('1000 – 1999, 24* except 1500—1510')).toBe('1000 to 1999, 24* except 1500 to 1510');
  });

  it('keeps dashes where numbers of the chart have some', () => {
    expect(read('10-1', dashed)).toBe('10-1');
    expect(read('10-1 to 10-9', dashed)).toBe('10-1 to 10-9');
  });

  it('keeps a dash that makes no span, and what is wrong is wrong', () => {
    // Upside down, and more than two ends.
    expect(read('1999-1000')).toBe('1999-1000');
    expect(read('1-2-3')).toBe('1-2-3');
    expect(read('1000 to')).toBe('number_missing');
  });

  it('tells numbers that stand alone and that no account has, not the ends of spans', () => {
    const unknown = (text: string) => {
      const outcome = readTypedRange(text, plain, 'digit_by_digit');
      return outcome.ok ? numbersUnknown(outcome.value.ranges, plain) : null;
    };
    expect(unknown('1000, 2015, 3000 to 3999, 24* except 1010, 2016')).toEqual(['2015', '2016']);
    expect(unknown('from 5000')).toEqual([]);
  });
});
