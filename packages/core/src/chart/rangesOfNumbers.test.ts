import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { numberKey, rangeTest } from './numberRange.ts';
import { rangesOfNumbers } from './rangesOfNumbers.ts';
import { writeRangeText } from './rangeText.ts';

const told = (chosen: readonly string[], all: readonly string[]) => writeRangeText({ include: rangesOfNumbers(new Set(chosen), all, 'by_value'), except: [] });

describe('ranges of chosen numbers', () => {
  it('make one span of those that stand beside each other', () => {
    expect(told(['1000', '1010', '1020', '2000'], ['2000', '1010', '1000', '1500', '1020', ''])).toBe('1000 to 1020, 2000');
  });

  it('keep out what the upper end would hold as well', () => {
    expect(told(['101', '120'], ['101', '120', '120.6'])).toBe('101, 120');
  });

  it('hold what is chosen wherever a number alone can be held, and nothing else in a span', () => {
    const number = fc.stringMatching(/^[1-9]\d{0,2}(\.[1-9])?$/);
    fc.assert(
      fc.property(fc.uniqueArray(number, { maxLength: 12 }), fc.func(fc.boolean()), (all, isChosen) => {
        const chosen = new Set(all.filter(isChosen));
        const ranges = rangesOfNumbers(chosen, all, 'by_value');
        const holds = rangeTest({ include: ranges, except: [] }, 'by_value');
        for (const one of chosen) expect(holds(numberKey(one, 'by_value')), one).toBe(true);
        for (const range of ranges)
          if (range.kind === 'span' && range.from !== range.to)
            for (const other of all)
              if (!chosen.has(other)) expect(rangeTest({ include: [range], except: [] }, 'by_value')(numberKey(other, 'by_value'))).toBe(false);
      }),
      { seed: 77, numRuns: 300 },
    );
  });
});
