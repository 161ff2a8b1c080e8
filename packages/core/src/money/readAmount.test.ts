import { describe, expect, it } from 'vitest';
import { currencyOf } from './currency.ts';
import { type DecimalSign, readAmount } from './readAmount.ts';

const euro = currencyOf('EUR');
const read = (text: string, sign: DecimalSign = '.', currency = euro) => {
  const outcome = readAmount(text, sign, currency);
  return outcome.ok ? outcome.value.minorUnits : outcome.failure.code;
};

describe('amounts as ledgers print them', () => {
  it.each([
    ['1,234,567.89', '.', 123456789n],
    ['1.234.567,89', ',', 123456789n],
    ['1 234 567,89', ',', 123456789n],
    ['1\u202f234\u00a0567,89', ',', 123456789n],
    ["1'234'567.89", '.', 123456789n],
    ['1’234’567.89', '.', 123456789n],
    ['-12.5', '.', -1250n],
    ['12.50-', '.', -1250n],
    ['(1,200.00)', '.', -120000n],
    ['−3,00', ',', -300n],
    ['€ 10.00', '.', 1000n],
    ['10.00 EUR', '.', 1000n],
    ['.5', '.', 50n],
    ['7', '.', 700n],
    ['', '.', 0n],
    ['-', '.', 0n],
    ['–', '.', 0n],
    ['1200.500', '.', 120050n],
  ] as const)('%s with a decimal %s is %s', (text, sign, expected) => {
    expect(read(text, sign)).toBe(expected);
  });

  it.each([
    ['1.204.88,5', ',', 'amount_unreadable'],
    ['1,23,456', '.', 'amount_unreadable'],
    ['12a', '.', 'amount_unreadable'],
    ['1.2.3', '.', 'amount_unreadable'],
    ['1,234', ',', 'amount_too_precise'],
    ['12.345', '.', 'amount_too_precise'],
    ['99999999999999999999', '.', 'amount_too_large'],
    ['1234,567.00', '.', 'amount_unreadable'],
    ['=1+1', '.', 'amount_unreadable'],
  ] as const)('%s with a decimal %s is refused: %s', (text, sign, code) => {
    expect(read(text, sign)).toBe(code);
  });

  it('takes a debit or credit mark before or after the figure', () => {
    const marks = ['100.00 DR', '100.00CR', 'Cr 100.00', '100.00 S', '100.00 H', 'D 100.00'].map((text) => {
      const outcome = readAmount(text, '.', euro);
      return outcome.ok ? [outcome.value.minorUnits, outcome.value.mark] : null;
    });
    expect(marks).toEqual([
      [10000n, 'debit'],
      [10000n, 'credit'],
      [10000n, 'credit'],
      [10000n, 'debit'],
      [10000n, 'credit'],
      [10000n, 'debit'],
    ]);
  });

  it('keeps to the minor unit of the currency: none in yen, three places in Kuwaiti dinar', () => {
    expect(read('1,234', '.', currencyOf('JPY'))).toBe(1234n);
    expect(read('1,234.5', '.', currencyOf('JPY'))).toBe('amount_too_precise');
    expect(read('1.234', '.', currencyOf('KWD'))).toBe(1234n);
    expect(read('1,234.5', '.', currencyOf('KWD'))).toBe(1234500n);
  });
});
