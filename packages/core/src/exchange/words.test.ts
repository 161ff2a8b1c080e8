import { describe, expect, it } from 'vitest';
import { proposeNormalSide } from '../chart/proposeNormalSide.ts';
import { proposeRetainedEarnings } from '../chart/proposeRole.ts';
import { meaningOfHeading } from './columnMeaning.ts';
import { findDay } from './findDay.ts';
import { readElement } from './readElement.ts';
import { isTotalText } from './totals.ts';

/** Words as ledgers of several languages print them; common practice. */
describe('words of a ledger', () => {
  it.each([
    ['Account no.', 'number'],
    ['Kontonummer', 'number'],
    ['Intitulé', 'name'],
    ['Bezeichnung', 'name'],
    ['Soll', 'debit'],
    ['Haben', 'credit'],
    ['Closing debit', 'debit'],
    ['Opening credit', 'opening_credit'],
    ['Turnover debit', 'turnover_debit'],
    ['Balance (EUR)', 'amount'],
    ['Dr/Cr', 'mark'],
    ['Parent number', 'parent'],
    ['Remarks', null],
  ])('the heading %s means %s', (heading, meaning) => {
    expect(meaningOfHeading(heading)).toBe(meaning);
  });

  it.each([
    ['Total', true],
    ['Sub-total', true],
    ['Gesamtsumme', true],
    ['Total assets', true],
    ['Report total:', true],
    ['Totally Safe Insurance', false],
    ['Summer bookings', false],
    ['Pagers', false],
  ])('%s is a total line: %s', (text, expected) => {
    expect(isTotalText(text)).toBe(expected);
  });

  it.each([
    ['Assets', 'asset'],
    ['Aktiva', 'asset'],
    ['PASSIF', 'liability'],
    ['Eigenkapital', 'equity'],
    ['revenue', 'income'],
    ['Aufwand', 'expense'],
    ['memo', null],
  ])('%s names the element %s', (text, element) => {
    expect(readElement(text)).toBe(element);
  });

  it.each([
    ['Saldenliste zum 30.09.2026', '2026-09-30'],
    ['Balances at 5 March 2026', '2026-03-05'],
    ['As of September 30, 2026', '2026-09-30'],
    ['2026-02-30', null],
    ['Version 3.11', null],
  ])('%s speaks of the day %s', (text, day) => {
    expect(findDay(text)).toBe(day);
  });
});

describe('what a name tells of an account', () => {
  it('a contra account stands on the other side, where its balance agrees', () => {
    expect(proposeNormalSide('asset', 'Accumulated depreciation, vessels', -5n)).toBe('credit');
    expect(proposeNormalSide('asset', 'Allowance for doubtful receivables', 0n)).toBe('credit');
    expect(proposeNormalSide('equity', 'Drawings', 5n)).toBe('debit');
    expect(proposeNormalSide('asset', 'Accumulated depreciation, vessels', 5n)).toBe('debit');
    expect(proposeNormalSide('asset', 'Overdrawn bank', -5n)).toBe('debit');
    expect(proposeNormalSide('income', 'Discounts allowed', 5n)).toBe('debit');
  });

  it('retained earnings are an equity account by one of its usual names, the surest first', () => {
    const account = (name: string, element: 'equity' | 'liability' = 'equity') => ({ name, element });
    expect(proposeRetainedEarnings([account('Accumulated surplus'), account('Retained earnings')])?.name).toBe('Retained earnings');
    expect(proposeRetainedEarnings([account('Retained earnings', 'liability'), account('Profit brought forward')])?.name).toBe('Profit brought forward');
    expect(proposeRetainedEarnings([account('Share capital')])).toBeUndefined();
  });
});
