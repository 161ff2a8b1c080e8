import {
  type CategoryField,
  categoryNested,
  categoryPut,
  categoryPutLast,
  type DescribedCategory,
  fail,
  type NewCategory,
  type Outcome,
  type PlacementChange,
  placementOf,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openClassified, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports, VersionedCategory } from '../ports/index.ts';
import { applyChange } from './applyPlacement.ts';

/** Only what changes; `after` names the sibling to stand behind, `null` to stand first. */
export type CategoryEdit = { readonly [Field in Exclude<CategoryField, 'element' | 'position'>]?: DescribedCategory[Field] | undefined } & {
  readonly version: number;
  readonly after?: number | null | undefined;
};

/** Until it is applied. */
const newId = -1;

export function addCategory(
  ports: Ports,
  { companyId, actor }: Access<'keep_placement'>,
  fields: NewCategory,
  classification?: number,
): Promise<Outcome<VersionedCategory, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openClassified(ports, companyId, classification);
    if (!opened.ok) return opened;
    const books = opened.value;
    if (fields.parentId !== null && !books.categoryTree.nodes.has(fields.parentId)) return fail({ code: 'not_found', thing: 'category', id: fields.parentId });
    const added = withDefaults({ ...fields, id: newId, position: 0 });
    const applied = await applyChange(ports, books, actor, categoryPutLast(placementOf(books.categories, books.places), added));
    return applied.ok ? findCategory(ports, companyId, applied.value?.ids.get(newId) ?? 0, classification) : applied;
  });
}

export function changeCategory(
  ports: Ports,
  { companyId, actor }: Access<'keep_placement'>,
  categoryId: number,
  { version, after, ...edit }: CategoryEdit,
  classification?: number,
): Promise<Outcome<VersionedCategory, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openClassified(ports, companyId, classification);
    if (!opened.ok) return opened;
    const books = opened.value;
    const current = books.categories.find((category) => category.id === categoryId);
    if (!current) return fail({ code: 'not_found', thing: 'category', id: categoryId });
    if (current.version !== version) return fail({ code: 'version_conflict', thing: 'category', id: categoryId, current });
    if (edit.parentId != null && !books.categoryTree.nodes.has(edit.parentId)) return fail({ code: 'not_found', thing: 'category', id: edit.parentId });
    const applied = await applyChange(ports, books, actor, changeOf(books, current, edit, after));
    return applied.ok ? findCategory(ports, companyId, categoryId, classification) : applied;
  });
}

export function deleteCategory(
  ports: Ports,
  { companyId, actor }: Access<'keep_placement'>,
  categoryId: number,
  classification?: number,
): Promise<Outcome<null, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openClassified(ports, companyId, classification);
    if (!opened.ok) return opened;
    const books = opened.value;
    if (!books.categoryTree.nodes.has(categoryId)) return fail({ code: 'not_found', thing: 'category', id: categoryId });
    const held = {
      accounts: [...books.portions.values()].filter(({ debit, credit }) => debit === categoryId || credit === categoryId).length,
      subcategories: books.categories.filter((category) => category.parentId === categoryId).length,
      contras: books.categories.filter((category) => category.contraOf === categoryId).length,
    };
    if (held.accounts + held.subcategories + held.contras > 0) return fail({ code: 'category_not_empty', ...held });
    const applied = await applyChange(ports, books, actor, { categories: new Map([[categoryId, null]]) });
    return applied.ok ? succeed(null) : applied;
  });
}

function changeOf(
  books: Books,
  { version: _, ...current }: VersionedCategory,
  edit: Omit<CategoryEdit, 'version' | 'after'>,
  after: number | null | undefined,
): PlacementChange {
  const placement = placementOf(books.categories, books.places);
  const edited = Object.fromEntries(Object.entries(edit).filter(([, value]) => value !== undefined)) as Partial<DescribedCategory>;
  const parentId = edited.parentId === undefined ? current.parentId : edited.parentId;
  if (parentId === current.parentId) {
    const changed = withDefaults({ ...current, ...edited });
    return after === undefined ? { categories: new Map([[current.id, changed]]) } : categoryPut(placement, changed, after);
  }
  const { term, step } = withDefaults({ ...current, ...edited, parentId });
  const { categories } = categoryNested(placement, current, parentId, after === undefined ? 'last' : after, { term, step });
  const nested = categories?.get(current.id) as DescribedCategory;
  const contraOf = edited.contraOf === undefined ? null : edited.contraOf;
  return { categories: new Map([...(categories ?? []), [current.id, { ...nested, ...edited, parentId, contraOf, term, step }]]) };
}

/** A top category says where it stands: current where nothing is said, other operating for income and expense. */
function withDefaults(category: DescribedCategory): DescribedCategory {
  const isTop = category.parentId === null;
  const isBalance = category.element === 'asset' || category.element === 'liability';
  const isIncome = category.element === 'income' || category.element === 'expense';
  return {
    ...category,
    term: isTop && isBalance ? (category.term ?? 'current') : null,
    step: isTop && isIncome ? (category.step ?? 'other_operating') : null,
  };
}

async function findCategory(ports: Ports, companyId: number, categoryId: number, classification?: number): Promise<Outcome<VersionedCategory, Failure>> {
  const books = await openClassified(ports, companyId, classification);
  const category = books.ok ? books.value.categories.find(({ id }) => id === categoryId) : undefined;
  return category ? succeed(category) : fail({ code: 'not_found', thing: 'category', id: categoryId });
}
