import { changedFields, type DraftedCategory, type DraftedPlaces, type PlacementDraft } from '@ivory-ladder/core';
import { counted } from '../../shared/words/counted.ts';

/** What the words need to name things: of the placement as it would be, and as it was. */
export interface DraftNames {
  account(id: number): string;
  category(id: number): string;
}

/** One change of an account, as `to Other sailings` or `out of Fuel and lubricants`. */
export function moveText({ before, after }: DraftedPlaces, { category }: DraftNames): string {
  const where = (places: DraftedPlaces['after']) =>
    places.map(({ side, categoryId }) => `${category(categoryId)}${side === 'any' ? '' : ` while in ${side}`}`).join(', ');
  if (after.length === 0) return before.length === 0 ? '' : `no place by hand, from ${where(before)}`;
  return before.length === 0 ? `to ${where(after)}` : `to ${where(after)}, from ${where(before)}`;
}

const fieldNames: Readonly<Record<ReturnType<typeof changedFields>[number], string>> = {
  parentId: 'nested elsewhere',
  element: 'of another element',
  name: 'renamed',
  position: 'in another order',
  term: 'current or not',
  step: 'at another step',
  contraOf: 'deducted otherwise',
  nature: 'another kind of cash flow',
  note: 'in another note',
  description: 'described',
  ranges: 'other account numbers',
  captions: 'other captions',
};

export function categoryText({ before, after }: DraftedCategory): string {
  if (before === null) return 'new category';
  if (after === null) return 'goes';
  return changedFields(before, after)
    .map((field) => (field === 'name' ? `renamed from ${before.name}` : fieldNames[field]))
    .join(', ');
}

/** The whole draft in a few words; names stand in marks for who sets them strong. */
export function draftSummary(
  { places, categories }: PlacementDraft,
  names: DraftNames,
): { readonly before: string; readonly strong: string; readonly after: string } {
  const [move] = places;
  const [changed] = categories;
  if (move && places.length === 1 && categories.length === 0)
    return { before: '1 move: ', strong: names.account(move.accountId), after: ` ${moveText(move, names)}` };
  if (changed && categories.length === 1 && places.length === 0)
    return { before: '1 category: ', strong: (changed.after ?? changed.before)?.name ?? '', after: `, ${categoryText(changed)}` };
  const parts = [places.length > 0 ? counted(places.length, 'move') : '', categories.length > 0 ? counted(categories.length, 'category', 'categories') : ''];
  return { before: '', strong: parts.filter(Boolean).join(' and '), after: '' };
}

export interface DraftedThing {
  readonly key: string;
  readonly name: string;
  readonly text: string;
  readonly accountIds: readonly number[];
  readonly categoryIds: readonly number[];
}

/** Each change of a draft, categories first, with what it is about; a category that goes and all that leaves it are one. */
export function draftList({ places, categories }: PlacementDraft, names: DraftNames): DraftedThing[] {
  const goings = categories.flatMap((drafted) =>
    drafted.after === null && drafted.before !== null ? [goingOf(drafted.id, { places, categories }, names)] : [],
  );
  const told = { accounts: new Set(goings.flatMap(({ accountIds }) => accountIds)), categories: new Set(goings.flatMap(({ categoryIds }) => categoryIds)) };
  return [
    ...goings,
    ...categories.flatMap((drafted) =>
      told.categories.has(drafted.id)
        ? []
        : {
            key: `category ${drafted.id}`,
            name: (drafted.after ?? drafted.before)?.name ?? '',
            text: categoryText(drafted),
            accountIds: [],
            categoryIds: [drafted.id],
          },
    ),
    ...places.flatMap((drafted) =>
      told.accounts.has(drafted.accountId)
        ? []
        : {
            key: `account ${drafted.accountId}`,
            name: names.account(drafted.accountId),
            text: moveText(drafted, names),
            accountIds: [drafted.accountId],
            categoryIds: [],
          },
    ),
  ];
}

/** Accounts that stood in a category which goes, those nested below it, and the account numbers that another took from it: they stand and go together. */
function goingOf(id: number, { places, categories }: PlacementDraft, names: DraftNames): DraftedThing {
  const before = categories.find((drafted) => drafted.id === id)?.before;
  const moved = places.filter((drafted) => drafted.before.some(({ categoryId }) => categoryId === id));
  const targets = new Set(moved.flatMap(({ after }) => after.map(({ categoryId }) => categoryId)));
  const taking = (drafted: DraftedCategory): boolean =>
    before !== null &&
    before !== undefined &&
    before.ranges.length > 0 &&
    drafted.before !== null &&
    drafted.after !== null &&
    changedFields(drafted.before, drafted.after).join() === 'ranges' &&
    before.ranges.every(({ text }) => drafted.after?.ranges.some((range) => range.text.includes(text)));
  const beside = categories.filter((drafted) => drafted.id !== id && (drafted.before?.parentId === id || drafted.before?.contraOf === id || taking(drafted)));
  const [target] = targets.size === 1 ? targets : beside.filter(taking).map((drafted) => drafted.id);
  const withAccounts = moved.length > 0 ? ` with ${counted(moved.length, 'account')}` : '';
  return {
    key: `category ${id}`,
    name: before?.name ?? '',
    text:
      target === undefined
        ? `goes${moved.length > 0 ? `, ${counted(moved.length, 'account')} out of it` : ''}`
        : `merged into ${names.category(target)}${withAccounts}`,
    accountIds: moved.map(({ accountId }) => accountId),
    categoryIds: [id, ...beside.map((drafted) => drafted.id)],
  };
}
