import type { Term } from '../placement/category.ts';
import type { CategoryNode } from '../placement/categoryTree.ts';
import type { BalanceSheetOrder } from './options.ts';

export interface TermsInOrder {
  /** Both, whether a category has them or not. */
  readonly terms: readonly Term[];
  /** Whether the categories of each stand in the reverse of their order. */
  readonly backwards: boolean;
}

/**
 * Top categories of assets or liabilities as the balance sheet has them. Apart, the terms stand as the placement begins with them. By liquidity, the placement
 * says with its first term which way round its categories are, so that cash, the last of current assets behind non-current
 * ones, is the first of all where the most liquid come first.
 */
export function termsInOrder(tops: readonly CategoryNode[], order: BalanceSheetOrder): TermsInOrder {
  const own = tops.map(({ category }): Term => category.term ?? 'current');
  if (order === 'by_term') return { terms: [...new Set<Term>([...own, 'non_current', 'current'])], backwards: false };
  const terms: readonly Term[] = order === 'most_liquid_first' ? ['current', 'non_current'] : ['non_current', 'current'];
  return { terms, backwards: new Set(own).size > 1 && own[0] !== terms[0] };
}
