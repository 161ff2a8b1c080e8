import { describe, expect, it } from 'vitest';
import { elements, naturalSide } from './element.ts';
import { elementFromName, proposeElement } from './proposeElement.ts';
import { proposeRetainedEarnings } from './proposeRole.ts';

describe('proposing an element', () => {
  it.each([
    ['Bank, current account', 'asset'],
    ['Accumulated depreciation, vessels', 'asset'],
    ['Trade payables', 'liability'],
    ['Interest payable', 'liability'],
    ['Season passes not yet sailed', 'liability'],
    ['Share capital', 'equity'],
    ['Sales', 'income'],
    ['Interest received', 'income'],
    ['Bad debts', 'expense'],
    ['Depreciation', 'expense'],
    ['Marine gas oil in stock', 'asset'],
    ['Taxes on income', 'expense'],
    ['Slipway and hall, at cost', 'asset'],
    ['Repairs in progress', 'asset'],
    ['Cost of goods sold', 'expense'],
  ] as const)('«%s» is %s by its words (common practice)', (name, element) => {
    expect(elementFromName(name)?.element).toBe(element);
  });

  it('follows the parent before anything else', () => {
    expect(proposeElement({ number: '4010', name: 'Bank' }, { number: '4000', element: 'income' }, undefined, undefined)).toEqual({
      element: 'income',
      reason: { from: 'parent', number: '4000' },
    });
  });

  it('follows neighbours that agree and share the beginning of the number', () => {
    const proposal = proposeElement(
      { number: '4460', name: 'Charters' },
      undefined,
      { number: '4450', element: 'income' },
      { number: '4470', element: 'income' },
    );
    expect(proposal).toEqual({ element: 'income', reason: { from: 'neighbours', numbers: ['4450', '4470'] } });
  });

  it('says nothing where nothing speaks for an element', () => {
    expect(proposeElement({ number: '900', name: 'Zzz' }, undefined, { number: '100', element: 'asset' }, undefined)).toBeNull();
  });

  it('asset and expense are debit by nature, the others credit (common practice)', () => {
    expect(elements.map(naturalSide)).toEqual(['debit', 'credit', 'credit', 'credit', 'debit']);
  });

  it('proposes the equity account whose name says retained earnings', () => {
    const accounts = [
      { name: 'Retained earnings', element: 'liability' as const },
      { name: 'Profit brought forward', element: 'equity' as const },
      { name: 'Retained earnings', element: 'equity' as const },
    ];
    expect(proposeRetainedEarnings(accounts)).toBe(accounts[2]);
    expect(proposeRetainedEarnings([{ name: 'Share capital', element: 'equity' }])).toBeUndefined();
  });
});
