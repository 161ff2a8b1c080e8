import { describe, expect, it } from 'vitest';
import { newLine } from '../layout/newLine.ts';
import { calculating, composed, free, grouping, numbers, summing, taking } from '../layout/ownLayout.fixture.ts';
import { type OwnLine, plainLook } from '../layout/ownLayout.ts';
import { account, category, statementsOf, type TestCompany } from './statementsOf.fixture.ts';

/** Accounts 1001 to 1004: cash, revenue, wages, interest. */
const company: TestCompany = {
  categories: [
    category(1, 'asset', { term: 'current', name: 'Cash' }),
    category(2, 'income', { step: 'revenue', name: 'Revenue' }),
    category(3, 'expense', { step: 'other_operating', name: 'Wages' }),
    category(4, 'expense', { step: 'financing', name: 'Interest' }),
  ],
  accounts: [account(1, 'asset'), account(2, 'income'), account(3, 'expense'), account(4, 'expense')],
  places: [1, 2, 3, 4].map((id) => ({ accountId: id, side: 'any' as const, categoryId: id })),
};
const [before, now] = [
  [100n, -300n, 150n, 50n],
  [120n, -320n, 155n, 45n],
];
const naturesOf = (lines: readonly OwnLine[], more: Parameters<typeof free>[1] = {}) =>
  Object.fromEntries(
    composed(company, free(lines, more))
      .rows([now, before], { rungs: 'accounts' })
      .flatMap(({ key, role, better }) => (role === 'heading' ? [] : [[key, better]])),
  );

describe('whether a higher figure is better', () => {
  it('is what the line holds says: more income is, more expense is not, on whichever side it is shown; balances say nothing (common practice)', () => {
    expect(
      naturesOf([
        taking('sales', [numbers('1002')]),
        grouping('costs', 'debit', [taking('wages', [numbers('1003')]), taking('interest', [numbers('1004')], { reversed: true })]),
        summing('profit', { sales: 1, costs: -1 }),
        taking('cash', [numbers('1001')]),
        taking('both', [numbers('1001, 1002')]),
        newLine('result', 'result', 'Result'),
        calculating('share', 'wages / sales', 'percent'),
      ]),
    ).toMatchObject({
      sales: 'higher',
      wages: 'lower',
      'wages/3': 'lower',
      interest: 'higher',
      costs: 'lower',
      profit: 'higher',
      cash: undefined,
      both: undefined,
      result: 'higher',
      share: undefined,
    });
  });

  it('is what the author says, of any line', () => {
    const better = (nature: 'higher' | 'lower' | 'neither') => ({ look: { ...plainLook, better: nature } });
    expect(
      naturesOf([
        { ...calculating('share', 'wages / sales', 'percent'), ...better('lower') },
        taking('wages', [numbers('1003')], better('neither')),
        taking('sales', [numbers('1002')]),
        taking('cash', [numbers('1001')], better('higher')),
      ]),
    ).toMatchObject({ share: 'lower', wages: undefined, sales: 'higher', cash: 'higher' });
  });

  it('needs no word in an income statement, where expenses stand in parentheses, but where they do not', () => {
    const generated = statementsOf(company).rows('income_statement', [now, before]);
    expect(generated.some(({ caption, values }) => caption === 'Wages' && values.length > 2)).toBe(true);
    expect(generated.filter(({ better }) => better !== undefined)).toEqual([]);
    const lines = [taking('sales', [numbers('1002')]), taking('wages', [numbers('1003')]), taking('interest', [numbers('1004')], { reversed: true })];
    expect(naturesOf(lines, { kind: 'income_statement' })).toEqual({
      sales: undefined,
      'sales/2': undefined,
      wages: 'lower',
      'wages/3': 'lower',
      interest: undefined,
      'interest/4': undefined,
    });
  });
});
