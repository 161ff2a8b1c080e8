import type { Category, Nature } from './category.ts';
import { type CategoryNode, type CategoryTree, walkCategories } from './categoryTree.ts';

/** What stands under a top category of income or expense without a step. */
const usualStep = 'other_operating';

/** The step that a category of income or expense stands in: that of its top category. */
export function stepOf(node: CategoryNode): NonNullable<Category['step']> | null {
  const { element, step } = node.category;
  if (element !== 'income' && element !== 'expense') return null;
  return node.parent ? stepOf(node.parent) : (step ?? usualStep);
}

/**
 * The nature of every category: its own, else that of the category above it, of a contra category that of the one it is
 * deducted from, else what step and term say. `said`: what categories say themselves.
 */
export function naturesOf(tree: CategoryTree, said: Iterable<{ readonly id: number; readonly nature: Nature | null }>): ReadonlyMap<number, Nature> {
  const own = new Map([...said].flatMap(({ id, nature }) => (nature === null ? [] : [[id, nature] as const])));
  const found = new Map<number, Nature>();
  const visit = ({ category, parent }: CategoryNode): void => {
    const { id, contraOf } = category;
    const host = contraOf === null ? undefined : own.get(contraOf);
    const above = parent ? found.get(parent.category.id) : undefined;
    found.set(id, own.get(id) ?? host ?? above ?? usualNature(category));
  };
  for (const tops of tree.tops.values()) walkCategories(tops, visit);
  return found;
}

/**
 * Categories of assets, liabilities and equity that neither say their nature nor have it from above or beside: term and element alone are
 * no reason, a loan due within a year is no working capital. What moves there is shown where it mostly belongs, and is a finding.
 */
export function categoriesWithoutNature(tree: CategoryTree, said: Iterable<{ readonly id: number; readonly nature: Nature | null }>): ReadonlySet<number> {
  const own = new Set([...said].flatMap(({ id, nature }) => (nature === null ? [] : [id])));
  const without = new Set<number>();
  const visit = ({ category: { id, contraOf }, parent }: CategoryNode): void => {
    const isSaid = own.has(id) || (contraOf !== null && own.has(contraOf)) || (parent !== null && !without.has(parent.category.id));
    if (!isSaid) without.add(id);
  };
  for (const element of ['asset', 'liability', 'equity'] as const) walkCategories(tree.tops.get(element) ?? [], visit);
  return without;
}

/** Of a top category that says nothing. Interest is what financing mostly costs. */
function usualNature({ element, term, step }: Pick<Category, 'element' | 'term' | 'step'>): Nature {
  switch (element) {
    case 'asset':
      return term === 'non_current' ? 'investing' : 'operating';
    case 'liability':
      return term === 'non_current' ? 'financing' : 'operating';
    case 'equity':
      return 'financing';
    case 'income':
    case 'expense':
      if (step === 'income_tax') return 'income_tax';
      if (step === 'financing') return 'interest';
      return step === 'investing' ? 'investing' : 'operating';
  }
}
