import { describe, expect, it } from 'vitest';
import { currencyOf } from '../money/currency.ts';
import { readDecimal, writeDecimal } from '../money/decimal.ts';
import { ageInDays, closingRateOn, impliedRate, readRate, toCompanyCurrency } from './rate.ts';
import { readRateRows } from './readRateRows.ts';

const [euro, dollar, yen, dinar] = ['EUR', 'USD', 'JPY', 'BHD'].map(currencyOf) as [
  ReturnType<typeof currencyOf>,
  ReturnType<typeof currencyOf>,
  ReturnType<typeof currencyOf>,
  ReturnType<typeof currencyOf>,
];
const rate = (text: string) => {
  const read = readRate(text);
  if (!read) throw new Error(text);
  return read;
};

describe('an amount of another currency in the company’s', () => {
  it('is divided by the rate and rounded once, half away from zero, whatever the exponents of both (own computation)', () => {
    expect(toCompanyCurrency(10_000n, dollar, euro, rate('1.25'))).toBe(8000n);
    expect(toCompanyCurrency(1n, dollar, euro, rate('2'))).toBe(1n);
    expect(toCompanyCurrency(-1n, dollar, euro, rate('2'))).toBe(-1n);
    expect(toCompanyCurrency(16_300n, yen, euro, rate('163'))).toBe(10_000n);
    expect(toCompanyCurrency(1000n, dinar, euro, rate('0.4'))).toBe(250n);
    expect(toCompanyCurrency(10_000n, euro, yen, rate('0.0061349'))).toBe(16_300n);
  });

  it('tells the rate that two amounts come to', () => {
    expect(impliedRate(10_834n, dollar, 10_000n, euro)).toBe('1.0834');
    expect(impliedRate(10_000n, dollar, 9231n, euro)).toBe('1.08331');
    expect(impliedRate(1n, dollar, 0n, euro)).toBe('');
  });

  it.each(['0', '-1', '1.2.3', '1,000.5', '', 'x', '1.1234567890123'])('takes «%s» for no rate', (text) => {
    expect(readRate(text)).toBeNull();
  });

  it('reads and writes a decimal as it was, without zeros at its end', () => {
    expect(['1,0830', '.5', '-12.', '100'].map((text) => writeDecimal(readDecimal(text) ?? { units: 0n, scale: 0 }))).toEqual(['1.083', '0.5', '-12', '100']);
  });
});

describe('the rate in force', () => {
  const closing = (day: string, value: string) => ({ currency: 'USD', kind: 'closing' as const, day, accountId: null, rate: value });
  const rates = [closing('2026-09-30', '1.08'), closing('2026-08-31', '1.10'), { ...closing('2026-09-01', '1.2'), kind: 'average' as const }];

  it('is that of the day, or the latest before it, with its age', () => {
    expect(closingRateOn(rates, 'USD', '2026-10-02')?.rate).toBe('1.08');
    expect(closingRateOn(rates, 'USD', '2026-09-29')?.rate).toBe('1.10');
    expect(closingRateOn(rates, 'USD', '2026-08-30')).toBeNull();
    expect(closingRateOn(rates, 'NOK', '2026-10-02')).toBeNull();
    expect(ageInDays({ day: '2026-09-30' }, '2026-10-02')).toBe(2);
  });
});

describe('a file of rates', () => {
  it('is read row by row, and each row that is wrong is named', () => {
    const { rates, faults } = readRateRows(
      [
        ['Date', 'Currency', 'Rate', 'Kind', 'Account'],
        ['2026-09-30', 'usd', { number: '1.0830' }],
        ['2026-09-01', 'NOK', '11,5', 'Average'],
        ['2020-01-02', 'USD', '1.2', 'historical', '3000'],
        [],
        ['30.9.2026', 'USD', '1'],
        ['2026-09-30', 'EUR', '1'],
        ['2026-09-30', 'USD', '0'],
        ['2026-09-30', 'USD', '1', 'spot'],
        ['2026-09-30', 'USD', '1', 'historical', '9999'],
      ],
      'EUR',
      (reference) => (reference === '3000' ? 7 : undefined),
    );
    expect(rates).toEqual([
      { currency: 'USD', kind: 'closing', day: '2026-09-30', accountId: null, rate: '1.083' },
      { currency: 'NOK', kind: 'average', day: '2026-09-01', accountId: null, rate: '11.5' },
      { currency: 'USD', kind: 'historical', day: '2020-01-02', accountId: 7, rate: '1.2' },
    ]);
    expect(faults.map(({ row, code }) => [row, code])).toEqual([
      [6, 'day_unreadable'],
      [7, 'currency_unknown'],
      [8, 'rate_unreadable'],
      [9, 'kind_unknown'],
      [10, 'account_needed'],
    ]);
  });
});
