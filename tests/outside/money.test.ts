import {
  currencyCodes,
  currencyOf,
  divideHalfAwayFromZero,
  findCurrency,
  formatPercent,
  percentChange,
  readAmount,
  toCompanyCurrency,
  toDecimalText,
} from '@ivory-ladder/core';
import { Decimal } from 'decimal.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

Decimal.set({ precision: 60, rounding: Decimal.ROUND_HALF_UP });

describe('our money against decimal.js', () => {
  it('divides and rounds as ROUND_HALF_UP, which is half away from zero', () => {
    fc.assert(
      fc.property(fc.bigInt(-(10n ** 17n), 10n ** 17n), fc.bigInt(1n, 10n ** 6n), fc.boolean(), (dividend, divisor, negative) => {
        const by = negative ? -divisor : divisor;
        expect(divideHalfAwayFromZero(dividend, by).toString()).toBe(
          new Decimal(dividend.toString()).div(by.toString()).toDecimalPlaces(0).toFixed(0).replace(/^-0$/, '0'),
        );
      }),
      { seed: 501, numRuns: 2000 },
    );
  });

  it('brings another currency into the company’s by the exact quotient, rounded once, for any exponents and rates', () => {
    const currencies = fc.constantFrom('EUR', 'JPY', 'BHD', 'CLF', 'USD').map(currencyOf);
    const rates = fc.record({ units: fc.bigInt(1n, 10n ** 12n), scale: fc.integer({ min: 0, max: 12 }) });
    fc.assert(
      fc.property(fc.bigInt(-(10n ** 15n), 10n ** 15n), currencies, currencies, rates, (amount, from, to, rate) => {
        const expected = new Decimal(amount.toString())
          .div(new Decimal(10).pow(from.exponent))
          .div(new Decimal(rate.units.toString()).div(new Decimal(10).pow(rate.scale)))
          .times(new Decimal(10).pow(to.exponent))
          .toDecimalPlaces(0)
          .toFixed(0)
          .replace(/^-0$/, '0');
        expect(toCompanyCurrency(amount, from, to, rate).toString()).toBe(expected);
      }),
      { seed: 504, numRuns: 2000 },
    );
  });

  it('reads and writes decimals of every exponent', () => {
    fc.assert(
      fc.property(fc.bigInt(-(10n ** 16n), 10n ** 16n), fc.constantFrom('JPY', 'EUR', 'BHD', 'CLF'), (minor, code) => {
        const currency = currencyOf(code);
        const text = new Decimal(minor.toString()).div(new Decimal(10).pow(currency.exponent)).toFixed(currency.exponent);
        expect(toDecimalText(minor, currency)).toBe(text);
        const read = readAmount(text, '.', currency);
        expect(read.ok && read.value.minorUnits).toBe(minor);
      }),
      { seed: 502, numRuns: 1000 },
    );
  });

  it('computes a percent change as decimal.js does, from exact amounts at the very end', () => {
    fc.assert(
      fc.property(
        fc.bigInt(-(10n ** 12n), 10n ** 12n),
        fc.bigInt(-(10n ** 12n), 10n ** 12n).filter((earlier) => earlier !== 0n),
        (current, earlier) => {
          const expected = new Decimal((current - earlier).toString()).div(new Decimal(earlier.toString()).abs()).mul(1000).toDecimalPlaces(0);
          expect(percentChange(current, earlier)).toBe(BigInt(expected.toFixed(0)));
          expect(formatPercent(percentChange(current, earlier)).startsWith('(')).toBe(expected.isNegative() && !expected.isZero());
        },
      ),
      { seed: 503, numRuns: 1000 },
    );
  });
});

describe('ISO 4217', () => {
  it('exponents: JPY 0, EUR 2, USD 2, BHD 3, KWD 3, CLF 4', () => {
    expect(['JPY', 'EUR', 'USD', 'BHD', 'KWD', 'CLF'].map((code) => findCurrency(code)?.exponent)).toEqual([0, 2, 2, 3, 3, 4]);
    expect(findCurrency('XXX')).toBeUndefined();
  });

  it("agrees with the platform's own table (CLDR follows ISO 4217 here), but for currencies whose cash has fewer places", () => {
    const differing = currencyCodes().filter(
      (code) => new Intl.NumberFormat('en', { style: 'currency', currency: code }).resolvedOptions().maximumFractionDigits !== findCurrency(code)?.exponent,
    );
    // CLDR gives these the places in use; ISO 4217 still lists two (IQD three).
    const inUseOnly = [
      'AFN',
      'ALL',
      'AMD',
      'COP',
      'CRC',
      'HUF',
      'IDR',
      'IQD',
      'IRR',
      'KPW',
      'LAK',
      'LBP',
      'MGA',
      'MMK',
      'MNT',
      'MUR',
      'PKR',
      'RSD',
      'SLE',
      'SOS',
      'SYP',
      'TZS',
      'UZS',
      'YER',
      'TWD',
      'CZK',
      'NOK',
      'SEK',
      'DKK',
      'GYD',
      'STN',
      'VED',
      'ZMW',
    ];
    expect(differing.filter((code) => !inUseOnly.includes(code))).toEqual([]);
  });
});
