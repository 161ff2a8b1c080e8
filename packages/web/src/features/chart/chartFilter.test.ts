import type { ChartAccountBody } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { chartAccount as account } from './chartAccount.fixture.ts';
import { chartSearch, readChartFilter, type Sought, searchTexts } from './chartFilter.ts';

const all: Sought = { find: '', numbers: null, show: 'all', element: '', categoryIds: null, since: '' };
const found = (accounts: ChartAccountBody[], sought: Partial<Sought>) => {
  const isSought = chartSearch(searchTexts(accounts), { ...all, ...sought });
  return isSought ? accounts.filter(isSought).map(({ number }) => number) : 'all';
};

describe('what is sought in the chart', () => {
  it('is every word in number, name, purpose, external number or notes', () => {
    const accounts = [
      account(1, '6200', { name: 'Insurance', purpose: 'Hull and liability' }),
      account(2, '6210', { externalNumber: 'G-62', notes: ['Ask Eider'] }),
    ];
    expect([found(accounts, { find: 'hull 62' }), found(accounts, { find: 'g-62' }), found(accounts, { find: 'EIDER' }), found(accounts, {})]).toEqual([
      ['6200'],
      ['6210'],
      ['6210'],
      'all',
    ]);
  });

  it('is a number where the text means one, and words between quotes', () => {
    const accounts = [account(1, '6200', { name: 'Insurance' }), account(2, '7100', { name: 'Paper 62' })];
    const numbers = { words: '', holds: ({ number }: { readonly number: string }) => number.startsWith('62') };
    expect([found(accounts, { find: '62', numbers }), found(accounts, { find: '"62"' }), found(accounts, { find: '62', numbers, show: 'noted' })]).toEqual([
      ['6200'],
      ['6200', '7100'],
      [],
    ]);
  });

  it.each([
    ['active', account(1, '1', { places: [{ side: 'any', categoryId: 7 }] }), account(2, '2', { active: false })],
    ['inactive', account(1, '1', { active: false }), null],
    ['unplaced', account(1, '1'), null],
    ['never_used', account(1, '1', { places: [{ side: 'any', categoryId: 7 }] }), null],
    ['unused_since', account(1, '1', { lastUsed: '2025-12-31' }), account(2, '2', { lastUsed: '2026-01-01' })],
    ['against_side', account(1, '1', { amount: '-5', lastUsed: '2026-09-30' }), null],
    ['noted', account(1, '1', { notes: ['Odd'] }), null],
  ] as const)('%s accounts', (show, wanted, other) => {
    const plain = other ?? account(2, '2', { places: [{ side: 'any', categoryId: 7 }], amount: '5', lastUsed: '2026-09-30' });
    expect(found([wanted, plain], { show, since: '2026-01-01' })).toEqual(['1']);
    expect(found([wanted, plain], { show, since: '2026-01-01', element: 'asset' })).toEqual([]);
  });

  it('accounts without a code of a list: active ones that take postings', () => {
    const accounts = [
      account(1, '1', { codes: { 'report:7': 'A' } }),
      account(2, '2', { codes: { 'report:8': 'A' } }),
      account(3, '3', { isParent: true }),
      account(4, '4', { active: false }),
    ];
    expect(found(accounts, { show: 'without:report:7' })).toEqual(['2']);
    expect([readChartFilter('without:report:7'), readChartFilter('without:x'), readChartFilter('noted'), readChartFilter(null)]).toEqual([
      'without:report:7',
      'all',
      'noted',
      'all',
    ]);
  });

  it('accounts of a category and of those below it, by any of their places', () => {
    const accounts = [
      account(1, '1', { places: [{ side: 'any', categoryId: 8 }] }),
      account(2, '2', {
        places: [
          { side: 'debit', categoryId: 9 },
          { side: 'credit', categoryId: 7 },
        ],
      }),
      account(3, '3', { places: [{ side: 'any', categoryId: 9 }] }),
      account(4, '4'),
    ];
    expect(found(accounts, { categoryIds: new Set([7, 8]) })).toEqual(['1', '2']);
  });
});
