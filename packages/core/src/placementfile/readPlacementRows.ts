import type { Account } from '../chart/account.ts';
import { accountsByNumber, referenceKey, withPathsAsNumbers } from '../chart/accountReference.ts';
import { counterElement, type Element, elements } from '../chart/element.ts';
import { readRangeText } from '../chart/rangeText.ts';
import { type Cell, isBlankRow, textOf } from '../exchange/cell.ts';
import { categoryPutLast } from '../placement/categoryMoves.ts';
import { readCategoryPath } from '../placement/categoryPath.ts';
import { amendDraft, applyDraft, emptyDraft, type PlacementDraft } from '../placement/draft.ts';
import type { PlaceSide } from '../placement/place.ts';
import { type DescribedCategory, type Placement, type PlacesOfAccount, siblingKey } from '../placement/placement.ts';
import { proposeNature } from '../placement/proposeNature.ts';
import { proposeTermAndStep } from '../placement/proposeTermAndStep.ts';
import { type PlacementColumn, placementColumns } from './placementColumns.ts';

/** Why a row is not taken; rows count from 1, the headings included. */
export interface PlacementRowFault {
  readonly row: number;
  readonly column: PlacementColumn;
  readonly code:
    | 'heading_missing'
    | 'account_unknown'
    | 'account_twice'
    | 'element_unknown'
    | 'category_missing'
    | 'category_twice'
    | 'category_too_long'
    | 'category_of_other_element'
    | 'category_beside_sides'
    | 'range_malformed';
  readonly found: string;
}

export interface ReadPlacement {
  /** What the file makes of the placement, nothing where it has faults; new categories have negative ids. */
  readonly draft: PlacementDraft;
  readonly faults: readonly PlacementRowFault[];
  readonly accounts: number;
  readonly categories: number;
}

const sideColumns = { any: 'category', debit: 'debit', credit: 'credit' } as const satisfies Record<PlaceSide, PlacementColumn>;
const rangeColumns = { any: 'numbers', debit: 'numbersDebit', credit: 'numbersCredit' } as const satisfies Record<PlaceSide, PlacementColumn>;
const placeSides = ['any', 'debit', 'credit'] as const;
const longestName = 200;

/**
 * Reads the rows of a placement file: each account and category that is named in it stands afterwards as it says; what is not named, and
 * columns that are not in it, stay. Categories that are not there are made. Cost: rows + placement.
 */
export function readPlacementRows(rows: readonly (readonly Cell[])[], base: Placement, accounts: readonly Account[], isNumbered: boolean): ReadPlacement {
  const faults: PlacementRowFault[] = [];
  const headings = (rows[0] ?? []).map((cell) => referenceKey(textOf(cell)));
  const at = new Map<PlacementColumn, number>();
  for (const { key, heading } of placementColumns) {
    const found = headings.indexOf(referenceKey(heading));
    if (found >= 0) at.set(key, found);
  }
  if (!at.has('number') || !at.has('category')) {
    faults.push({ row: 1, column: at.has('number') ? 'category' : 'number', code: 'heading_missing', found: textOf(rows[0]?.[0]) });
    return { draft: emptyDraft, faults, accounts: 0, categories: 0 };
  }
  const byNumber = accountsByNumber(isNumbered ? accounts : withPathsAsNumbers(accounts));
  const book = new CategoryBook(base);
  const places = new Map<number, PlacesOfAccount>();
  const described = new Set<number>();
  for (const [index, cells] of rows.entries()) {
    if (index === 0 || isBlankRow(cells)) continue;
    const row = index + 1;
    const cell = (key: PlacementColumn): string => textOf(cells[at.get(key) ?? -1]).trim();
    const fault = (column: PlacementColumn, code: PlacementRowFault['code'], found = cell(column)): void => void faults.push({ row, column, code, found });
    if (cell('number') === '') {
      const element = elements.find((one) => one === cell('element').toLowerCase());
      const path = element ? readCategoryPath(cell('category'), element) : [];
      if (!element) fault('element', 'element_unknown');
      else if (path.length === 0) fault('category', 'category_missing');
      else if (path.some((name) => name.length > longestName)) fault('category', 'category_too_long');
      else {
        const id = book.find(element, path) ?? book.make(element, path);
        if (described.has(id)) fault('category', 'category_twice');
        described.add(id);
        const ranges = placeSides.flatMap((side) => {
          if (!at.has(rangeColumns[side])) return book.get(id).ranges.filter((range) => range.side === side);
          const text = cell(rangeColumns[side]);
          if (text !== '' && !readRangeText(text, null).ok) fault(rangeColumns[side], 'range_malformed');
          return text === '' ? [] : [{ side, text }];
        });
        book.set({ ...book.get(id), ranges });
      }
      continue;
    }
    const account = byNumber.get(referenceKey(cell('number')));
    if (!account) {
      fault('number', 'account_unknown');
      continue;
    }
    if (places.has(account.id)) fault('number', 'account_twice');
    const wanted = placeSides.filter((side) => cell(sideColumns[side]) !== '');
    if (wanted.includes('any') && wanted.length > 1) fault('category', 'category_beside_sides');
    for (const side of wanted) {
      const path = readCategoryPath(cell(sideColumns[side]), account.element);
      if (path.length === 0) fault(sideColumns[side], 'category_missing');
      if (path.some((name) => name.length > longestName)) fault(sideColumns[side], 'category_too_long');
    }
    const targets = wanted.map((side) => ({ side, ...placeIn(book, cell(sideColumns[side]), side, account.element) }));
    const hasOwn = targets.some(({ of }) => of === account.element);
    for (const { side, of } of targets)
      if (of !== account.element && !(hasOwn && side !== 'any' && of === counterElement(account.element)))
        fault(sideColumns[side], 'category_of_other_element');
    places.set(
      account.id,
      targets.map(({ side, categoryId }) => ({ side, categoryId })),
    );
  }
  // Of a file with faults nothing is made.
  const draft = faults.length > 0 ? emptyDraft : amendDraft(base, emptyDraft, { places, categories: book.changed });
  return { draft, faults, accounts: draft.places.length, categories: draft.categories.length };
}

/** Under the account's own element where the path is there, else whole under another one that it may have; else it is made under its own. */
function placeIn(book: CategoryBook, text: string, side: PlaceSide, element: Element): { categoryId: number; of: Element } {
  const counter = side === 'any' ? null : counterElement(element);
  for (const of of [element, ...(counter ? [counter] : []), ...elements]) {
    const id = book.find(of, readCategoryPath(text, of));
    if (id !== null) return { categoryId: id, of };
  }
  return { categoryId: book.make(element, readCategoryPath(text, element)), of: element };
}

/** Categories by their paths, with those that the rows make. */
class CategoryBook {
  readonly changed = new Map<number, DescribedCategory>();
  private readonly ids = new Map<string, number>();
  private placement: Placement;

  constructor(private readonly base: Placement) {
    this.placement = base;
    for (const category of [...base.categories.values()].sort((a, b) => b.position - a.position)) this.ids.set(siblingKey(category), category.id);
  }

  find(element: Element, path: readonly string[]): number | null {
    let parentId: number | null = null;
    for (const name of path) {
      const id: number | undefined = this.ids.get(siblingKey({ element, parentId, name }));
      if (id === undefined) return null;
      parentId = id;
    }
    return parentId;
  }

  get(id: number): DescribedCategory {
    return this.placement.categories.get(id) as DescribedCategory;
  }

  set(category: DescribedCategory): void {
    this.put(new Map([[category.id, category]]));
  }

  /** The path, what of it is missing made behind its siblings. */
  make(element: Element, path: readonly string[]): number {
    let parentId: number | null = null;
    for (const name of path) {
      const standing: number | undefined = this.ids.get(siblingKey({ element, parentId, name }));
      if (standing !== undefined) {
        parentId = standing;
        continue;
      }
      const id = Math.min(0, ...this.placement.categories.keys()) - 1;
      const made: DescribedCategory = {
        id,
        parentId,
        element,
        name,
        position: 0,
        contraOf: null,
        nature: proposeNature(element, name),
        note: '',
        description: '',
        ranges: [],
        captions: [],
        ...proposeTermAndStep(element, parentId === null, name),
      };
      this.put((categoryPutLast(this.placement, made).categories ?? new Map()) as ReadonlyMap<number, DescribedCategory>);
      this.ids.set(siblingKey(made), id);
      parentId = id;
    }
    return parentId ?? 0;
  }

  private put(categories: ReadonlyMap<number, DescribedCategory>): void {
    for (const [id, category] of categories) this.changed.set(id, category);
    this.placement = applyDraft(this.base, amendDraft(this.base, emptyDraft, { categories: this.changed }));
  }
}
