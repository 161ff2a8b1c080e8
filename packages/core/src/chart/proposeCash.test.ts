import { describe, expect, it } from 'vitest';
import type { Element } from './element.ts';
import { proposeCash } from './proposeCash.ts';

const category = (name: string, accounts: readonly string[], element: Element = 'asset') => ({
  name,
  element,
  accounts: accounts.map((own) => ({ name: own, element })),
});
const proposed = (...categories: Parameters<typeof proposeCash>[0]) => proposeCash(categories)?.name ?? null;

describe('the category of cash', () => {
  it('is the asset that is named so, also in words that go before it', () => {
    expect(proposed(category('Receivables', ['Customers']), category('Cash and cash equivalents', ['Till', 'Bank']))).toBe('Cash and cash equivalents');
    expect(proposed(category('Liquid assets', ['Till', 'Bank']), category('Other', ['Rent paid ahead']))).toBe('Liquid assets');
  });

  it('is by its accounts where its own name says nothing, and not where only few of them are', () => {
    expect(proposed(category('Current assets', ['Petty cash', 'Bank, current account']), category('Other', ['Stock']))).toBe('Current assets');
    expect(proposed(category('Current assets', ['Customers', 'Stock', 'Bank, current account']))).toBeNull();
  });

  it('is the one that holds the others, where several are named so', () => {
    expect(
      proposed(
        category('Bank balances', ['Bank']),
        category('Cash', ['Bank', 'Till']),
        category('Current assets', ['Bank', 'Till', 'Stock', 'Customers', 'Tools']),
      ),
    ).toBe('Cash');
  });

  it('is no debt to a bank, no deposit held for years and no category without accounts', () => {
    expect(proposed(category('Bank overdrafts', ['Bank'], 'liability'), category('Restricted cash', ['Fixed deposit']), category('Cash', []))).toBeNull();
    expect(proposed(category('Bank charges', ['Bank charges'], 'expense'))).toBeNull();
  });
});
