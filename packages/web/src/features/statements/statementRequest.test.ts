import type { Company } from '@ivory-ladder/contract';
import { makeMonthlyYear } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { planInAddress, statementRequest } from './statementRequest.ts';

const company = {
  id: 7,
  currency: 'EUR',
  lastEntryDay: '2026-09-30',
  fiscalYearFirstMonth: 1,
  years: [makeMonthlyYear(2026, 1)],
  classifications: [
    { id: 1, name: 'Statutory', isMain: true },
    { id: 2, name: 'By function', isMain: false },
  ],
} as unknown as Company;
const asked = (search: string, kind: string | undefined = 'balance-sheet') => statementRequest(company, kind, new URLSearchParams(search));

describe('what an address asks for of a statement', () => {
  it('is the usual where it says nothing', () => {
    expect(asked('')).toEqual({
      companyId: 7,
      kind: 'balance-sheet',
      from: '2026-01-01',
      to: '2026-09-30',
      compare: 'usual',
      detail: 2,
      open: '',
      shut: '',
      zero: '0',
      scale: 'exact',
      rounding: 'footed',
      language: '',
      facets: '',
    });
  });

  it('is of a kind there is, or of a composed layout; else of the income statement', () => {
    expect([asked('', 'layout-12').kind, asked('', 'layout-x').kind, asked('', undefined).kind, asked('', 'profits').kind]).toEqual([
      'layout-12',
      'income-statement',
      'balance-sheet',
      'income-statement',
    ]);
  });

  it('takes what it says, and lets nonsense be', () => {
    expect(asked('detail=accounts&zero=1&scale=thousands&rounding=independent&open=a,b&shut=c')).toMatchObject({
      detail: 'accounts',
      zero: '1',
      scale: 'thousands',
      rounding: 'independent',
      open: 'a,b',
      shut: 'c',
    });
    expect(asked('detail=0&zero=yes&scale=dozens&rounding=up')).toMatchObject({ detail: 2, zero: '0', scale: 'exact', rounding: 'footed' });
  });

  it('names a classification only where it is not the main one', () => {
    expect(asked('classification=2')).toHaveProperty('classification', 2);
    for (const search of ['', 'classification=1', 'classification=99']) expect(asked(search), search).not.toHaveProperty('classification');
  });

  it('asks for another currency than its own, in one way or another', () => {
    expect(asked('currency=EUR')).not.toHaveProperty('currency');
    expect(asked('currency=USD')).toMatchObject({ currency: 'USD' });
  });

  it('has a plan where it names one that there is, with its budget, or one that somebody composed', () => {
    const plan = (search: string) => planInAddress(new URLSearchParams(search));
    expect(plan('')).toEqual({});
    expect(plan('plan=periods&budget=3')).toEqual({ plan: 'periods', budget: 3 });
    expect(plan('plan=everything')).toEqual({});
    expect(plan('plan=composed&planId=4&budget=3')).toEqual({ plan: 'composed', planId: 4 });
  });

  it('counts some facet values alone where it says which in so many words', () => {
    expect(asked(`facets=${encodeURIComponent('{"facet:1":["TERN"]}')}`).facets).toBe('{"facet:1":["TERN"]}');
    for (const text of ['{', '[]', '{"vessel":["TERN"]}', '{"facet:1":[]}', '{"facet:1":[1]}'])
      expect(asked(`facets=${encodeURIComponent(text)}`).facets, text).toBe('');
  });
});
