import { describe, expect, it } from 'vitest';
import type { Element } from '../chart/element.ts';
import { category as plain } from '../statement/statementsOf.fixture.ts';
import { buildCategoryTree, type CategoryNode } from './categoryTree.ts';
import { areAtOdds, subjectsOf, subjectsOfCategory } from './subjects.ts';

const about = (element: Element, name: string) => [...subjectsOf(element, name)].sort();

describe('what a name is about', () => {
  it.each([
    ['asset', 'Buildings and land', ['property']],
    ['asset', 'Amortisation of software to date', ['intangible']],
    ['asset', 'Spare parts for machinery', ['property', 'stock']],
    ['asset', 'Bank, current account', ['cash']],
    ['liability', 'Loans from banks', ['borrowing']],
    ['liability', 'VAT payable', ['payable', 'tax']],
    ['expense', 'Electric energy', ['energy']],
    ['expense', 'Depreciation of vehicles', ['depreciation']],
    ['expense', 'Rent of buildings', ['rent']],
    ['expense', 'Legal and audit fees', ['advice']],
    ['income', 'Freight', ['sales']],
    ['expense', 'Sundry', []],
    ['equity', 'Share capital', []],
  ] as const)('of %s «%s»', (element, name, subjects) => {
    expect(about(element, name)).toEqual([...subjects].sort());
  });

  it('is said by whole words: a landing stage is no land, a gasket no gas', () => {
    expect(about('asset', 'Landing stages')).toEqual([]);
    expect(about('expense', 'Gaskets')).toEqual([]);
  });

  it('of a category is its own, else that of the nearest above that says something', () => {
    const { nodes } = buildCategoryTree([
      plain(1, 'asset', { name: 'Property, plant and equipment' }),
      plain(2, 'asset', { name: 'Less depreciation', parentId: 1 }),
      plain(3, 'asset', { name: 'Licences', parentId: 2 }),
      plain(4, 'expense', { name: 'Other' }),
    ]);
    const of = (id: number) => [...subjectsOfCategory(nodes.get(id) as CategoryNode)];
    expect([of(1), of(2), of(3), of(4)]).toEqual([['property'], ['property'], ['intangible'], []]);
  });

  it('is at odds only where both say something, and nothing in common', () => {
    const [some, others] = [new Set(['energy']), new Set(['depreciation', 'energy'])];
    expect(areAtOdds(some, new Set(['rent']))).toBe(true);
    expect(areAtOdds(some, others)).toBe(false);
    expect(areAtOdds(some, new Set())).toBe(false);
    expect(areAtOdds(new Set(), some)).toBe(false);
  });
});
