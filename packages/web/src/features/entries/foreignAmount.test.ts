import { currencyOf, type ExchangeRate } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { emptyRow } from './entryRows.ts';
import { converted, foreignTyped, rateText, withForeign } from './foreignAmount.ts';

const functional = currencyOf('EUR');
const rate = (day: string, value: string): ExchangeRate => ({ currency: 'USD', kind: 'closing', day, accountId: null, rate: value });
const rates = [rate('2026-09-30', '1.0834'), rate('2026-08-31', '1.1')];
const facts = { rates, functional, day: '2026-10-02' };
const row = emptyRow();
const usd = (text: string) => {
  const typed = foreignTyped(text, functional);
  if (!typed) throw new Error(text);
  return typed;
};

describe('an amount in another currency', () => {
  it('is typed with its code; the company’s own, words and nothing are none', () => {
    expect(foreignTyped('1,200.50 usd', functional)).toEqual({ currency: currencyOf('USD'), amount: 120_050n });
    expect(foreignTyped('1200JPY', functional)).toEqual({ currency: currencyOf('JPY'), amount: 1200n });
    expect(['100 EUR', '100 xyz', 'USD', '0 USD', '100', 'a lot USD'].map((text) => foreignTyped(text, functional))).toEqual([
      null,
      null,
      null,
      null,
      null,
      null,
    ]);
  });

  it('comes to the company’s at the rate in force, whose age is told', () => {
    const typed = withForeign(row, 'credit', usd('100 USD'), facts);
    expect([typed.debit, typed.credit, typed.foreign]).toEqual(['', '92.30', { currency: 'USD', amount: '100.00', rate: '1.0834', side: 'credit' }]);
    expect(rateText(typed, facts)).toEqual({ text: 'rate of 30 Sep 2026, 2 days old', isMissing: false });
    expect(rateText(typed, { ...facts, day: '2026-09-30' }).text).toBe('rate of 30 Sep 2026');
  });

  it('follows another rate, which is then one that was typed', () => {
    const typed = withForeign(row, 'debit', usd('100 USD'), facts);
    const changed = converted({ ...typed, foreign: typed.foreign && { ...typed.foreign, rate: '1.25' } }, functional);
    expect([changed.debit, rateText(changed, facts).text]).toEqual(['80.00', 'USD for one EUR, as typed']);
  });

  it('without a rate names what is missing, and takes the rate of both amounts once both are there', () => {
    const none = { ...facts, day: '2026-01-01' };
    const typed = withForeign(row, 'debit', usd('100 USD'), none);
    expect([typed.debit, rateText(typed, none)]).toEqual(['', { text: 'No rate of USD up to 1 Jan 2026: type one, or the amount in EUR.', isMissing: true }]);
    expect(rateText({ ...typed, debit: '80.00' }, none)).toEqual({ text: 'both amounts come to 1.25 USD for one EUR', isMissing: false });
  });
});
