import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { collationKey, compareKeys, type DigitOrder, sortByNumber } from './numberOrder.ts';

const sorted = (numbers: readonly string[], order: DigitOrder) =>
  sortByNumber(
    numbers.map((number) => ({ number })),
    order,
  ).map(({ number }) => number);

describe('the order of account numbers', () => {
  it('by value: 101 < 101.1 < 102, 411.8 < 411.9 < 411.10', () => {
    expect(sorted(['411.10', '102', '411.9', '101.1', '411.8', '101'], 'by_value')).toEqual(['101', '101.1', '102', '411.8', '411.9', '411.10']);
  });

  it('digit by digit: 10 < 101 < 1013 < 106 < 11', () => {
    expect(sorted(['11', '106', '1013', '101', '10'], 'digit_by_digit')).toEqual(['10', '101', '1013', '106', '11']);
  });

  it('takes letters without regard to case, behind digits, and a missing part first', () => {
    expect(sorted(['b-2', 'A-10', 'a-9', 'A', '9-1'], 'by_value')).toEqual(['9-1', 'A', 'a-9', 'A-10', 'b-2']);
  });

  it('tells 07 from 7 and keeps them together', () => {
    expect(sorted(['8', '7', '07', '6'], 'by_value')).toEqual(['6', '07', '7', '8']);
  });

  it('is a total order whatever the numbers', () => {
    const number = fc.stringMatching(/^[0-9A-Za-z.\-/ ]{1,12}$/);
    fc.assert(
      fc.property(number, number, number, fc.constantFrom<DigitOrder>('by_value', 'digit_by_digit'), (a, b, c, order) => {
        const [x, y, z] = [a, b, c].map((text) => collationKey(text, order)) as [Uint8Array, Uint8Array, Uint8Array];
        expect(Math.sign(compareKeys(x, y)) + Math.sign(compareKeys(y, x))).toBe(0);
        if (compareKeys(x, y) <= 0 && compareKeys(y, z) <= 0) expect(compareKeys(x, z)).toBeLessThanOrEqual(0);
        expect(compareKeys(x, y) === 0).toBe(a === b);
      }),
      { seed: 413 },
    );
  });
});
