import type { Term } from '../placement/category.ts';
import type { CategoryNode } from '../placement/categoryTree.ts';
import type { BalanceSheetOrder } from './options.ts';

/** The terms as the balance sheet has them; apart they stand as the placement begins with them. Both are among them, whether a category has them or not. */
export function termsInOrder(tops: readonly CategoryNode[], order: BalanceSheetOrder): Term[] {
  if (order === 'most_liquid_first') return ['current', 'non_current'];
  if (order === 'least_liquid_first') return ['non_current', 'current'];
  return [...new Set<Term>([...tops.map(({ category }): Term => category.term ?? 'current'), 'non_current', 'current'])];
}
