import type { ChartCheckBody } from '@ivory-ladder/contract';
import { chartColumns, isListKey, type RowFault } from '@ivory-ladder/core';

type Row = ChartCheckBody['rows'][number];

const reasons: Readonly<Record<RowFault['reason'], (about: string, heading: string) => string>> = {
  missing: (_, heading) => `${heading} is missing`,
  too_long: (about, heading) => `${heading} has more than ${about} characters`,
  unknown_word: (about, heading) => `${heading} cannot be «${about}»`,
  repeated_in_file: (about) => `row ${about} has it already`,
  malformed_number: (about) => `«${about}» does not fit the number scheme`,
  number_taken: (about) => `the number is taken by ${about}`,
  name_taken: (about) => `the name is taken by ${about}, and this company does not repeat names`,
  no_such_account: (about) => `no account has the key ${about}`,
  parent_unknown: (about) => `there is no account ${about} to nest it below`,
  parent_of_other_element: (about) => `the account above it is of element ${about}`,
  nested_in_itself: () => 'it would stand below itself',
  nested_too_deep: (about) => `it would stand deeper than ${about} levels`,
  parent_inactive: (about) => `the account above it, ${about}, is inactive`,
  sub_accounts_of_other_element: (about) => `its sub-account ${about} would be of another element`,
  balance_not_zero: () => 'it has a balance and stays active',
  sub_accounts_active: () => 'accounts below it are active',
  role_not_for_element: () => 'an account of this element cannot have the role',
  role_of_inactive: () => 'an inactive account can have no role',
  role_needed: () => 'it holds retained earnings, which can only be given to another account',
  role_twice: (about) => `row ${about} has the role too`,
  category_of_other_element: (about) => `the category is of element ${about}`,
  no_such_code: (about, heading) => `there is no code «${about}» in ${heading.replace(/^\w+: /, '')}`,
  category_beside_sides: () => 'Category must be empty where there is one for a side',
};

type Field = Row['changes'][number]['field'];
export type ListHeadings = ChartCheckBody['listHeadings'];

export const fieldName = (field: Field, lists: ListHeadings): string => (isListKey(field) ? (lists[field] ?? field) : chartColumns[field].heading);

/** In how many changed rows a field changes, the most frequent first. */
export function changedFields(rows: readonly Pick<Row, 'state' | 'changes'>[]): { readonly field: Field; readonly rows: number }[] {
  const counts = new Map<Field, number>();
  for (const { state, changes } of rows)
    if (state === 'changed') for (const field of new Set(changes.map((change) => change.field))) counts.set(field, (counts.get(field) ?? 0) + 1);
  return [...counts].map(([field, count]) => ({ field, rows: count })).sort((a, b) => b.rows - a.rows);
}

function faultText({ field, reason, about }: Row['faults'][number], lists: ListHeadings): string {
  const heading = fieldName(field, lists);
  return reasons[reason as RowFault['reason']](about ?? '', heading);
}

/** What a row would do, in short: its faults, or each field before and after. */
export function rowText({ state, changes, faults }: Row, lists: ListHeadings): string {
  if (faults.length > 0) return faults.map((fault) => faultText(fault, lists)).join('; ');
  if (state === 'new') {
    const told = changes.filter(({ field }) => field === 'element' || field === 'parent' || field.startsWith('category'));
    const isPlaced = told.some(({ field }) => field.startsWith('category'));
    return [...told.map(({ field, after }) => `${fieldName(field, lists)} ${after}`), ...(isPlaced ? [] : ['in no category'])].join(', ');
  }
  return changes
    .map(({ field, before, after }) => {
      const [from, to] = field.startsWith('category') ? whereTheyPart(before, after) : [before, after];
      return `${fieldName(field, lists)}: ${shown(from, 26)} → ${shown(to, 60)}`;
    })
    .join('; ');
}

/** Two paths without what they begin with alike, so that the room there is shows what differs. */
function whereTheyPart(before: string, after: string): readonly [string, string] {
  if (before === '' || after === '') return [before, after];
  const [from, to] = [before.split(' > '), after.split(' > ')];
  let alike = 0;
  while (alike < Math.min(from.length, to.length) - 1 && from[alike] === to[alike]) alike++;
  const rest = (path: readonly string[]) => `${alike > 0 ? '… > ' : ''}${path.slice(alike).join(' > ')}`;
  return [rest(from), rest(to)];
}

const shown = (text: string, most: number): string => (text === '' ? 'nothing' : `«${text.length > most ? `${text.slice(0, most - 1)}…` : text}»`);
