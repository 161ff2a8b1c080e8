import type { ChartAccountBody } from '@ivory-ladder/contract';
import { accountLabel, type Element, isListKey, type ListKey } from '@ivory-ladder/core';
import { standsIn } from '../../shared/api/standsIn.ts';
import { type NumberSought, unquoted } from './numberSought.ts';

export const chartFilters = ['all', 'active', 'unplaced', 'inactive', 'never_used', 'unused_since', 'against_side', 'noted'] as const;
/** One of those, or accounts without a code of a list. */
export type ChartFilter = (typeof chartFilters)[number] | `without:${ListKey}`;

export function readChartFilter(text: string | null): ChartFilter {
  const filter = chartFilters.find((value) => value === text);
  const [, key = ''] = /^without:(.*)$/.exec(text ?? '') ?? [];
  return filter ?? (isListKey(key) ? `without:${key}` : 'all');
}

export const filterNames: Readonly<Record<(typeof chartFilters)[number], string>> = {
  all: 'all accounts',
  active: 'active',
  unplaced: 'in no category',
  inactive: 'inactive',
  never_used: 'never used',
  unused_since: 'unused since …',
  against_side: 'against their normal side',
  noted: 'with notes',
};

/** Lower-cased text of each account that is sought in, made once for a chart. */
export type SearchTexts = ReadonlyMap<ChartAccountBody, string>;

export function searchTexts(accounts: readonly ChartAccountBody[]): SearchTexts {
  return new Map(
    accounts.map((account) => [account, `${accountLabel(account)} ${account.purpose} ${account.externalNumber} ${account.notes.join(' ')}`.toLowerCase()]),
  );
}

export interface Sought {
  readonly find: string;
  /** Where that means numbers: then it is no words. */
  readonly numbers: NumberSought | null;
  readonly show: ChartFilter;
  readonly element: Element | '';
  /** The category and all below it; `null` for any. */
  readonly categoryIds: ReadonlySet<number> | null;
  /** For accounts unused since this day. */
  readonly since: string;
}

/** Whether an account passes the filters and has a number that is sought, or holds every word in its number, name, purpose, external number or notes; `null` where all do. */
export function chartSearch(texts: SearchTexts, { find, numbers, show, element, categoryIds, since }: Sought): ((account: ChartAccountBody) => boolean) | null {
  const words = numbers ? [] : (unquoted(find) ?? find).toLowerCase().split(/\s+/).filter(Boolean);
  if (numbers === null && words.length === 0 && show === 'all' && element === '' && categoryIds === null) return null;
  return (account) =>
    (element === '' || account.element === element) &&
    (categoryIds === null || standsIn(account).some(({ categoryId }) => categoryIds.has(categoryId))) &&
    passes(account, show, since) &&
    (numbers === null || numbers.holds(account)) &&
    words.every((word) => texts.get(account)?.includes(word) ?? false);
}

function passes(account: ChartAccountBody, show: ChartFilter, since: string): boolean {
  switch (show) {
    case 'all':
      return true;
    case 'active':
      return account.active;
    case 'unplaced':
      return standsIn(account).length === 0 && (!account.isParent || account.amount !== '0');
    case 'inactive':
      return !account.active;
    case 'never_used':
      return account.lastUsed === null && !account.isParent;
    case 'unused_since':
      return !account.isParent && (account.lastUsed === null || account.lastUsed < since);
    case 'against_side':
      return account.amount !== '0' && account.amount.startsWith('-') === (account.normalSide === 'debit');
    case 'noted':
      return account.notes.length > 0;
    default:
      return account.active && (!account.isParent || account.amount !== '0') && account.codes[show.slice('without:'.length) as ListKey] === undefined;
  }
}
