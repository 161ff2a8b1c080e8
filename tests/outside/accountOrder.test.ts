import { sortByNumber } from '@ivory-ladder/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

describe('the order of account numbers', () => {
  it('by value is that of Intl.Collator with numeric: true where both define the same (digits in parts, no leading zeros)', () => {
    const collator = new Intl.Collator('en', { numeric: true });
    const part = fc.integer({ min: 1, max: 9999 }).map(String);
    const number = fc.array(part, { minLength: 1, maxLength: 3 }).map((parts) => parts.join('.'));
    fc.assert(
      fc.property(fc.uniqueArray(number, { minLength: 2, maxLength: 20 }), (numbers) => {
        expect(
          sortByNumber(
            numbers.map((one) => ({ number: one })),
            'by_value',
          ).map((one) => one.number),
        ).toEqual([...numbers].sort(collator.compare));
      }),
      { seed: 504 },
    );
  });

  it('a regulator’s decimal sub-accounts: 101 < 101.1 < 102, 411.8 < 411.9 < 411.10 (FERC, 18 CFR part 101; from memory)', () => {
    const published = ['101', '101.1', '102', '411.8', '411.9', '411.10', '426.5', '432'];
    expect(
      sortByNumber(
        published.toReversed().map((number) => ({ number })),
        'by_value',
      ).map(({ number }) => number),
    ).toEqual(published);
  });

  it('a national chart sorts as text by prefix: 10 < 101 < 1013 < 106 < 11 (plan comptable général; from memory)', () => {
    const published = ['10', '101', '1013', '106', '11', '28', '401', '411', '4455', '512', '53', '601'];
    expect(
      sortByNumber(
        published.toReversed().map((number) => ({ number })),
        'digit_by_digit',
      ).map(({ number }) => number),
    ).toEqual(published);
  });
});
