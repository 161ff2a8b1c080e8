import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { numberKey, rangeTest } from './numberRange.ts';
import { rangesFollowing } from './rangesFollowing.ts';
import { readRangeText, writeRangeText } from './rangeText.ts';

const order = { before: 'by_value', after: 'by_value' } as const;
const read = (text: string) => {
  const ranges = readRangeText(text, null);
  if (!ranges.ok) throw new Error(text);
  return ranges.value;
};
const followed = (text: string, numbers: readonly (readonly [string, string])[], orders: Parameters<typeof rangesFollowing>[2] = order): string | null => {
  const ranges = rangesFollowing(
    read(text),
    numbers.map(([before, after]) => ({ before, after })),
    orders,
  );
  return ranges && writeRangeText(ranges);
};
const chart = ['5050', '5051', '5060', '6200', '6300'];
const renumbered = (...changes: readonly (readonly [string, string])[]) => {
  const to = new Map(changes);
  return chart.map((number): readonly [string, string] => [number, to.get(number) ?? number]);
};

describe('ranges under numbers that change', () => {
  it('name what leaves a span, leave out what would come in, and follow what is named by itself', () => {
    expect(followed('5050 to 5055', renumbered(['5051', '7051']))).toBe('5050 to 5055, 7051');
    expect(followed('5050 to 5059', renumbered(['6200', '5052']))).toBe('5050 to 5059 except 5052');
    expect(followed('5060, 6200', renumbered(['6200', '9000']))).toBe('5060, 9000');
    expect(followed('5* except 5051', renumbered(['5051', '5052']))).toBe('5* except 5052');
    expect(followed('5050 to 5055', renumbered(['5051', '5052'], ['6200', '9000']))).toBe('5050 to 5055');
  });

  it('are what they were with the numbers back', () => {
    const back = (text: string, from: string, to: string): string | null => {
      const then = followed(text, renumbered([from, to]));
      return (
        then &&
        followed(
          then,
          chart.map((number): readonly [string, string] => [number === from ? to : number, number]),
        )
      );
    };
    for (const text of ['5050 to 5055', '5*', '5060, 6200', 'from 5000 except 6200']) {
      expect(back(text, '5051', '7051'), text).toBe(text);
      expect(back(text, '6200', '5052'), text).toBe(text);
    }
  });

  it('hold the same under another order of digits', () => {
    const numbers = ['10', '101', '1013', '106', '11', '9'].map((number): readonly [string, string] => [number, number]);
    const orders = { before: 'digit_by_digit', after: 'by_value' } as const;
    const then = followed('10 to 106', numbers, orders);
    const holds = rangeTest(read(then ?? ''), 'by_value');
    expect(['10', '101', '1013', '106', '11', '9'].filter((number) => holds(numberKey(number, 'by_value')))).toEqual(['10', '101', '1013', '106']);
    expect(then && followed(then, numbers, { before: 'by_value', after: 'digit_by_digit' })).toBe('10 to 106');
  });

  it('hold the same accounts, whatever is renumbered, or say that they cannot', () => {
    const number = fc.integer({ min: 1, max: 400 }).map(String);
    const text = fc.constantFrom('1 to 99', '10 to 200 except 150', '1*', '2* except 21*', 'from 50', '5, 17, 230', 'up to 120 except 7');
    fc.assert(
      fc.property(
        fc.uniqueArray(number, { minLength: 4, maxLength: 25 }),
        fc.uniqueArray(number, { minLength: 25, maxLength: 25 }),
        text,
        fc.nat(6),
        (before, pool, ranges, moved) => {
          const taken = new Set(before);
          const free = pool.filter((one) => !taken.has(one));
          const numbers = before.map((one, at): readonly [string, string] => [one, at < moved ? (free[at] ?? one) : one]);
          const then = followed(ranges, numbers);
          fc.pre(then !== null);
          const [was, is] = [rangeTest(read(ranges), 'by_value'), rangeTest(read(then ?? ''), 'by_value')];
          for (const [old, now] of numbers) expect(is(numberKey(now, 'by_value'))).toBe(was(numberKey(old, 'by_value')));
        },
      ),
    );
  });
});
