import type { Element } from '../chart/element.ts';
import type { DigitOrder } from '../chart/numberOrder.ts';
import { type RangeTextMalformed, readRangeText } from '../chart/rangeText.ts';
import type { PlacementDraft } from './draft.ts';
import { checkPlaces, type PlaceRefused, type PlaceSide } from './place.ts';
import type { DescribedCategory, Placement } from './placement.ts';

const deepest = 8;

type NestingRefused = 'other_element' | 'own_descendant' | 'too_deep' | 'parent_gone';

export type CategoryFault =
  /** It would go, and something that the draft says nothing of is in it, below it or deducted from it. */
  | { readonly code: 'category_held'; readonly categoryId: number; readonly by: 'account' | 'category'; readonly id: number }
  | { readonly code: 'category_nesting_refused'; readonly categoryId: number; readonly reason: NestingRefused }
  | { readonly code: 'category_name_taken'; readonly categoryId: number; readonly name: string }
  | { readonly code: 'category_name_missing'; readonly categoryId: number }
  | { readonly code: 'category_field_refused'; readonly categoryId: number; readonly field: 'contraOf' | 'term' | 'step' }
  | (RangeTextMalformed & { readonly categoryId: number; readonly side: PlaceSide });

export type PlacementFault = CategoryFault | PlaceRefused;

/**
 * What is wrong with a placement because of its draft: only what the draft touches is looked at, and what its categories are beside or
 * above of. `elementOf` gives the element of an account that is there. Cost: draft + categories.
 */
export function checkDraft(
  after: Placement,
  draft: PlacementDraft,
  elementOf: (accountId: number) => Element | undefined,
  order: DigitOrder,
): PlacementFault[] {
  const { categories } = after;
  const faults: PlacementFault[] = [];
  const gone = new Set(draft.categories.flatMap(({ id, after: kept }) => (kept === null ? [id] : [])));
  const drafted = new Set(draft.categories.map(({ id }) => id));
  for (const { id, parentId, contraOf } of categories.values()) {
    if (drafted.has(id)) continue;
    for (const other of [parentId, contraOf])
      if (other !== null && gone.has(other)) faults.push({ code: 'category_held', categoryId: other, by: 'category', id });
  }
  const byParent = groupByParent(categories);
  for (const { id, before, after: category } of draft.categories) {
    if (!category) continue;
    if (before && before.element !== category.element) faults.push({ code: 'category_nesting_refused', categoryId: id, reason: 'other_element' });
    faults.push(...checkCategory(category, categories, byParent, order));
  }
  const tree = {
    nodes: {
      get: (id: number) => {
        const category = categories.get(id);
        return category && { category };
      },
    },
  };
  for (const { accountId, after: places } of draft.places) {
    const element = elementOf(accountId);
    if (element === undefined) continue;
    const checked = checkPlaces({ id: accountId, element }, places, tree);
    if (!checked.ok) faults.push(checked.failure);
  }
  const placed = new Set(draft.places.map(({ accountId }) => accountId));
  if (gone.size > 0)
    for (const [id, places] of after.places)
      for (const { categoryId } of placed.has(id) ? [] : places)
        if (gone.has(categoryId)) faults.push({ code: 'category_held', categoryId, by: 'account', id });
  return faults;
}

function groupByParent(categories: Placement['categories']): Map<number | Element, DescribedCategory[]> {
  const byParent = new Map<number | Element, DescribedCategory[]>();
  for (const category of categories.values()) {
    const key = category.parentId ?? category.element;
    const siblings = byParent.get(key);
    if (siblings) siblings.push(category);
    else byParent.set(key, [category]);
  }
  return byParent;
}

function checkCategory(
  category: DescribedCategory,
  categories: Placement['categories'],
  byParent: ReadonlyMap<number | Element, readonly DescribedCategory[]>,
  order: DigitOrder,
): CategoryFault[] {
  const { id: categoryId, parentId, element, name, contraOf, term, step } = category;
  const faults: CategoryFault[] = [];
  const refuse = (reason: NestingRefused) => faults.push({ code: 'category_nesting_refused', categoryId, reason });
  const above = ancestorsOf(category, categories);
  if (parentId !== null && !categories.has(parentId)) refuse('parent_gone');
  else if (above === null) refuse('own_descendant');
  else {
    if (above[0] && above[0].element !== element) refuse('other_element');
    if (above.length + heightOf(categoryId, byParent) >= deepest) refuse('too_deep');
  }
  if (name.trim() === '') faults.push({ code: 'category_name_missing', categoryId });
  const siblings = (byParent.get(parentId ?? element) ?? []).filter(({ id }) => id !== categoryId);
  if (siblings.some((other) => other.name.toLowerCase() === name.toLowerCase())) faults.push({ code: 'category_name_taken', categoryId, name });
  const base = siblings.find(({ id }) => id === contraOf);
  if (contraOf !== null && (!base || base.contraOf !== null || siblings.some((other) => other.contraOf === categoryId)))
    faults.push({ code: 'category_field_refused', categoryId, field: 'contraOf' });
  const isBalance = element === 'asset' || element === 'liability';
  const isIncome = element === 'income' || element === 'expense';
  if ((term !== null) !== (parentId === null && isBalance)) faults.push({ code: 'category_field_refused', categoryId, field: 'term' });
  if ((step !== null) !== (parentId === null && isIncome)) faults.push({ code: 'category_field_refused', categoryId, field: 'step' });
  for (const { side, text } of category.ranges) {
    const read = readRangeText(text, order);
    if (!read.ok) faults.push({ ...read.failure, categoryId, side });
  }
  return faults;
}

/** From near to far; `null` where the category stands below itself. */
function ancestorsOf({ id, parentId }: DescribedCategory, categories: Placement['categories']): DescribedCategory[] | null {
  const above: DescribedCategory[] = [];
  for (let at = parentId; at !== null; ) {
    const parent = categories.get(at);
    if (!parent) break;
    if (parent.id === id || above.includes(parent)) return null;
    above.push(parent);
    at = parent.parentId;
  }
  return above;
}

function heightOf(id: number, byParent: ReadonlyMap<number | Element, readonly DescribedCategory[]>, guard = deepest + 1): number {
  if (guard === 0) return 0;
  return (byParent.get(id) ?? []).reduce((height, child) => Math.max(height, 1 + heightOf(child.id, byParent, guard - 1)), 0);
}
