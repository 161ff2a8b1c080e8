import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { currencyOf } from './currency.ts';
import { formatAmount, formatPercent, toDecimalText } from './formatAmount.ts';
import { readAmount } from './readAmount.ts';

describe('printing amounts', () => {
  it('puts a minus in parentheses and nil as a dash', () => {
    expect([123456789n, -120000n, 0n, 5n].map((amount) => formatAmount(amount, currencyOf('EUR')))).toEqual(['1,234,567.89', '(1,200.00)', '–', '0.05']);
  });

  it('prints yen without and dinar with three places', () => {
    expect(formatAmount(1234567n, currencyOf('JPY'))).toBe('1,234,567');
    expect(formatAmount(-1234567n, currencyOf('KWD'))).toBe('(1,234.567)');
  });

  it('prints tenths of a percent', () => {
    expect([96n, -57n, -3n, 0n, 12345n, null].map((value) => formatPercent(value))).toEqual(['9.6', '(5.7)', '(0.3)', '–', '1,234.5', '–']);
  });

  it('prints other decimals, a minus and noughts where they are asked for', () => {
    expect([formatPercent(96n, 0), formatPercent(96n, 2), formatPercent(0n, 2, { nil: 'zero' })]).toEqual(['96', '0.96', '0.00']);
    expect(formatAmount(-123456n, currencyOf('EUR'), { negatives: 'minus' })).toBe('\u22121,234.56');
    expect([formatAmount(0n, currencyOf('EUR'), { nil: 'zero' }), formatAmount(0n, currencyOf('EUR'))]).toEqual(['0.00', '–']);
  });

  it('reads back what it prints, in every exponent', () => {
    fc.assert(
      fc.property(fc.bigInt(-(10n ** 15n), 10n ** 15n), fc.constantFrom('JPY', 'EUR', 'KWD', 'CLF'), (amount, code) => {
        const currency = currencyOf(code);
        for (const text of [formatAmount(amount, currency), toDecimalText(amount, currency)]) {
          const outcome = readAmount(text, '.', currency);
          expect(outcome.ok && outcome.value.minorUnits).toBe(amount);
        }
      }),
      { seed: 411 },
    );
  });
});
