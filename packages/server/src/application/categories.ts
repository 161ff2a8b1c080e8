import { type CategoryNode, type DigitOrder, fail, type Outcome, readRangeText, succeed, walkCategories, writeRangeText } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { openBooks, withFreshBooks } from './openBooks.ts';
import type { Books, CategoryFields, Ports, VersionedCategory } from './ports/index.ts';

export interface CategoryEdit {
  readonly version: number;
  readonly name?: string | undefined;
  readonly parentId?: number | null | undefined;
  /** Sibling to stand behind; `null` stands first. */
  readonly after?: number | null | undefined;
  readonly term?: CategoryFields['term'] | undefined;
  readonly step?: CategoryFields['step'] | undefined;
  readonly contraOf?: number | null | undefined;
  readonly ranges?: CategoryFields['ranges'] | undefined;
  readonly captions?: CategoryFields['captions'] | undefined;
}

const deepest = 8;

export function addCategory(ports: Ports, { companyId, actor }: Access<'preparer'>, fields: CategoryFields): Promise<Outcome<VersionedCategory, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const ranges = readRanges(fields.ranges, opened.value.company.digitOrder);
    if (!ranges.ok) return ranges;
    const described = withDefaults({ ...fields, ranges: ranges.value });
    const refused = check(opened.value, described, null);
    if (refused) return fail(refused);
    const added = await ports.placement.addCategory(companyId, described, opened.value.company.structureVersion, actor);
    return added.ok ? findCategory(ports, companyId, added.value) : added;
  });
}

export function changeCategory(
  ports: Ports,
  { companyId, actor }: Access<'preparer'>,
  categoryId: number,
  edit: CategoryEdit,
): Promise<Outcome<VersionedCategory, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const current = books.categories.find((category) => category.id === categoryId);
    if (!current) return fail({ code: 'not_found', thing: 'category', id: categoryId });
    if (current.version !== edit.version) return fail({ code: 'version_conflict', thing: 'category', id: categoryId, current });
    const parentId = edit.parentId === undefined ? current.parentId : edit.parentId;
    const ranges = edit.ranges === undefined ? succeed(current.ranges) : readRanges(edit.ranges, books.company.digitOrder);
    if (!ranges.ok) return ranges;
    const fields = withDefaults({
      parentId,
      element: current.element,
      name: edit.name ?? current.name,
      term: edit.term === undefined ? current.term : edit.term,
      step: edit.step === undefined ? current.step : edit.step,
      contraOf: edit.contraOf === undefined ? (parentId === current.parentId ? current.contraOf : null) : edit.contraOf,
      ranges: ranges.value,
      captions: edit.captions ?? current.captions,
    });
    const refused = check(books, fields, categoryId);
    if (refused) return fail(refused);
    const changed = await ports.placement.changeCategory(
      companyId,
      categoryId,
      edit.version,
      fields,
      orderOf(books, fields, current, edit.after),
      books.company.structureVersion,
      actor,
    );
    return changed.ok ? findCategory(ports, companyId, categoryId) : changed;
  });
}

export function deleteCategory(ports: Ports, { companyId, actor }: Access<'preparer'>, categoryId: number): Promise<Outcome<null, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    if (!books.categoryTree.nodes.has(categoryId)) return fail({ code: 'not_found', thing: 'category', id: categoryId });
    const held = {
      accounts: [...books.portions.values()].filter(({ debit, credit }) => debit === categoryId || credit === categoryId).length,
      subcategories: books.categories.filter((category) => category.parentId === categoryId).length,
      contras: books.categories.filter((category) => category.contraOf === categoryId).length,
    };
    if (held.accounts + held.subcategories + held.contras > 0) return fail({ code: 'category_not_empty', ...held });
    return ports.placement.deleteCategory(companyId, categoryId, books.company.structureVersion, actor);
  });
}

/** In the form that is kept; an empty text is no range. */
function readRanges(texts: CategoryFields['ranges'], order: DigitOrder): Outcome<CategoryFields['ranges'], Failure> {
  const ranges: CategoryFields['ranges'][number][] = [];
  for (const { side, text } of texts) {
    const read = readRangeText(text, order);
    if (!read.ok) return fail({ ...read.failure, side });
    if (read.value.include.length > 0) ranges.push({ side, text: writeRangeText(read.value) });
  }
  return succeed(ranges);
}

/** A top category says where it stands: current where nothing is said, other operating for income and expense. */
function withDefaults(fields: CategoryFields): CategoryFields {
  const isTop = fields.parentId === null;
  const isBalance = fields.element === 'asset' || fields.element === 'liability';
  const isIncome = fields.element === 'income' || fields.element === 'expense';
  return { ...fields, term: isTop && isBalance ? (fields.term ?? 'current') : null, step: isTop && isIncome ? (fields.step ?? 'other_operating') : null };
}

function check({ categoryTree, categories }: Books, fields: CategoryFields, own: number | null): Failure | null {
  const parent = fields.parentId === null ? null : categoryTree.nodes.get(fields.parentId);
  if (parent === undefined) return { code: 'not_found', thing: 'category', id: fields.parentId ?? 0 };
  if (parent && parent.category.element !== fields.element) return { code: 'category_nesting_refused', reason: 'other_element' };
  for (let at: CategoryNode | null = parent; at; at = at.parent)
    if (at.category.id === own) return { code: 'category_nesting_refused', reason: 'own_descendant' };
  const ownNode = own === null ? undefined : categoryTree.nodes.get(own);
  if ((parent ? parent.depth + 1 : 0) + (ownNode ? heightOf(ownNode) : 0) >= deepest) return { code: 'category_nesting_refused', reason: 'too_deep' };
  const siblings = categories.filter((category) => category.element === fields.element && category.parentId === fields.parentId && category.id !== own);
  if (siblings.some((category) => category.name.toLowerCase() === fields.name.toLowerCase())) return { code: 'category_name_taken', name: fields.name };
  if (fields.contraOf === null) return null;
  const base = siblings.find((category) => category.id === fields.contraOf);
  const isBase = own !== null && categories.some((category) => category.contraOf === own);
  return !base || base.contraOf !== null || isBase ? { code: 'category_field_refused', field: 'contraOf' } : null;
}

function heightOf(node: CategoryNode): number {
  let deepestBelow = node.depth;
  walkCategories([node], (below) => {
    deepestBelow = Math.max(deepestBelow, below.depth);
  });
  return deepestBelow - node.depth;
}

/** Ids of the siblings in their new order; empty where the order stays. */
function orderOf({ categories }: Books, fields: CategoryFields, current: VersionedCategory, after: number | null | undefined): number[] {
  if (after === undefined && fields.parentId === current.parentId) return [];
  const siblings = categories
    .filter((category) => category.element === fields.element && category.parentId === fields.parentId && category.id !== current.id)
    .sort((a, b) => a.position - b.position || a.id - b.id)
    .map((category) => category.id);
  const at = after === undefined ? siblings.length : after === null ? 0 : siblings.indexOf(after) + 1;
  return siblings.toSpliced(at, 0, current.id);
}

async function findCategory(ports: Ports, companyId: number, categoryId: number): Promise<Outcome<VersionedCategory, Failure>> {
  const books = await openBooks(ports, companyId);
  const category = books.ok ? books.value.categories.find(({ id }) => id === categoryId) : undefined;
  return category ? succeed(category) : fail({ code: 'not_found', thing: 'category', id: categoryId });
}
