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
