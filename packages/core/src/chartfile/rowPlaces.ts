import { counterElement, type Element, elements } from '../chart/element.ts';
import { findCategoryPath, readCategoryPath, writeCategoryPath } from '../placement/categoryPath.ts';
import type { CategoryTree } from '../placement/categoryTree.ts';
import type { PlaceSide } from '../placement/place.ts';
import type { ChangedAccount, PlaceTarget } from './changedAccount.ts';
import { fieldOfSide } from './chartCells.ts';
import type { ChartColumn, ChartField } from './chartFields.ts';
import type { RowDraft } from './draftRows.ts';
import { faultIn, type RowFault } from './rowFault.ts';

const placeSides = ['any', 'debit', 'credit'] as const satisfies readonly PlaceSide[];

/**
 * Where a row places its account, `null` where its places stay; what is wrong with them is added to the row's faults.
 * `texts`: the account's cells as the chart has them, `null` for a new one; `isByHand`: whether any of its places is its own
 * rather than a range's.
 */
export function placesOfRow(
  { account, placeTexts, faults }: RowDraft,
  element: Element,
  texts: Readonly<Record<ChartColumn, string>> | null,
  tree: CategoryTree,
  isByHand: boolean,
): ChangedAccount['places'] {
  if (placeTexts === undefined) {
    if (account && account.element !== element && isByHand) faults.push(faultIn('element', 'category_of_other_element', account.element));
    return null;
  }
  const wanted = wantedPlaces(placeTexts, texts);
  if (wanted.any !== '' && (wanted.debit !== '' || wanted.credit !== '')) faults.push(faultIn('category', 'category_beside_sides'));
  if (account?.element === element && texts && placeSides.every((side) => wanted[side] === texts[fieldOfSide[side]])) return null;
  const targets = placeSides.filter((side) => wanted[side] !== '').map((side) => ({ side, ...findTarget(wanted[side], side, element, tree) }));
  for (const { side, target } of targets) if ('path' in target) faults.push(...faultsOfPath(fieldOfSide[side], target.path));
  const hasOwn = targets.some(({ of }) => of === element);
  for (const { side, of } of targets)
    if (of !== element && !(hasOwn && side !== 'any' && of === counterElement(element)))
      faults.push(faultIn(fieldOfSide[side], 'category_of_other_element', of));
  return targets.map(({ side, target }) => ({ side, target }));
}

/** Under the account's own element where the path is there; else where it is whole under another; else it is to be made. */
function findTarget(text: string, side: PlaceSide, element: Element, tree: CategoryTree): { target: PlaceTarget; of: Element } {
  const counter = side === 'any' ? null : counterElement(element);
  for (const of of [element, ...(counter ? [counter] : []), ...elements]) {
    const path = readCategoryPath(text, of);
    const { node, found } = findCategoryPath(tree, of, path);
    if (node && found === path.length) return { target: { categoryId: node.category.id }, of };
  }
  return { target: { element, path: readCategoryPath(text, element) }, of: element };
}

/**
 * A column that is not in the file keeps what stands there, unless the file gives the account a place that leaves no room
 * for it: one for any balance beside those for a side, or the other way.
 */
function wantedPlaces(written: Readonly<Partial<Record<PlaceSide, string>>>, now: Readonly<Record<ChartColumn, string>> | null): Record<PlaceSide, string> {
  const kept = (side: PlaceSide): string => written[side] ?? now?.[fieldOfSide[side]] ?? '';
  const wanted = { any: kept('any'), debit: kept('debit'), credit: kept('credit') };
  if (written.any) return { ...wanted, debit: written.debit ?? '', credit: written.credit ?? '' };
  return written.debit || written.credit ? { ...wanted, any: written.any ?? '' } : wanted;
}

const deepestCategories = 8;
const longestName = 200;

function faultsOfPath(field: ChartField, path: readonly string[]): RowFault[] {
  if (path.length === 0) return [faultIn(field, 'unknown_word', '>')];
  if (path.length > deepestCategories) return [faultIn(field, 'nested_too_deep', deepestCategories)];
  return path.some((name) => name.length > longestName) ? [faultIn(field, 'too_long', longestName)] : [];
}

/** Paths of categories that are to be made, each once. */
export function newPaths(accounts: readonly ChangedAccount[]): { element: Element; path: readonly string[] }[] {
  const paths = new Map<string, { element: Element; path: readonly string[] }>();
  for (const { places } of accounts)
    for (const { target } of places ?? []) if ('path' in target) paths.set(`${target.element} ${writeCategoryPath(target.path).toLowerCase()}`, target);
  return [...paths.values()];
}
