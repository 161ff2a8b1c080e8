import type { SelectedSets } from '../facet/facetFilter.ts';
import { type BalanceRow, type Cube, cumulate, emptyBooks } from './cube.ts';
import { type Layer, layers, type Origin } from './layer.ts';
import { type OpeningLine, openingsOf } from './openings.ts';

/** What was posted with one facet set in one period; not cumulated. */
export interface FacetBalanceRow extends BalanceRow {
  readonly facetSetId: number;
}

/** Parallel arrays: `at` is period × accounts + account of the cube. */
interface Posted {
  readonly at: Uint32Array;
  readonly debit: BigInt64Array;
  readonly credit: BigInt64Array;
}

/** The balances of lines with facet values, grouped by set, layer and origin, so that a filter adds up only the sets it selects. */
export type FacetBalances = ReadonlyMap<number, readonly (Posted & { readonly layer: Layer; readonly origin: Origin })[]>;

/** `rows` in any order, of accounts and periods of the cube. Cost: rows. */
export function groupFacetBalances({ calendar, accountIds, indexOf }: Cube, rows: readonly FacetBalanceRow[]): FacetBalances {
  const groups = new Map<string, FacetBalanceRow[]>();
  for (const row of rows) {
    const key = `${row.facetSetId} ${row.layer} ${row.origin}`;
    const group = groups.get(key);
    if (group) group.push(row);
    else groups.set(key, [row]);
  }
  const bySet = new Map<number, (Posted & { layer: Layer; origin: Origin })[]>();
  for (const group of groups.values()) {
    const [{ facetSetId, layer, origin }] = group as [FacetBalanceRow];
    const posted = { layer, origin, at: new Uint32Array(group.length), debit: new BigInt64Array(group.length), credit: new BigInt64Array(group.length) };
    for (const [index, { accountId, periodIndex, debit, credit }] of group.entries()) {
      const account = indexOf.get(accountId);
      if (account === undefined || periodIndex < 0 || periodIndex >= calendar.periods.length)
        throw new Error(`a facet balance of account ${accountId} has no account or period`);
      posted.at[index] = periodIndex * accountIds.length + account;
      posted.debit[index] = debit;
      posted.credit[index] = credit;
    }
    bySet.set(facetSetId, [...(bySet.get(facetSetId) ?? []), posted]);
  }
  return bySet;
}

/**
 * The cube of the selected lines alone, with what they open years with. Lines without any value are all lines less those of every set.
 * Cost: the rows of the sets that are added up, and periods × accounts.
 */
export function narrowCube(cube: Cube, balances: FacetBalances, { ids, withoutAny }: SelectedSets, opening: readonly OpeningLine[] = []): Cube {
  const added = withoutAny ? [...balances.keys()].filter((id) => !ids.has(id)) : [...ids];
  const size = cube.accountIds.length * cube.calendar.periods.length;
  const books = emptyBooks(size);
  for (const id of added)
    for (const { layer, origin, at, debit, credit } of balances.get(id) ?? []) {
      const into = books[layer][origin];
      for (let index = 0; index < at.length; index++) {
        const cell = at[index] as number;
        into.debit[cell] = (into.debit[cell] as bigint) + (debit[index] as bigint);
        into.credit[cell] = (into.credit[cell] as bigint) + (credit[index] as bigint);
      }
    }
  for (const layer of layers)
    for (const origin of ['ordinary', 'closing'] as const)
      for (const side of ['debit', 'credit'] as const) {
        const array = books[layer][origin][side];
        cumulate(array, cube.accountIds.length);
        if (!withoutAny) continue;
        // What was added up are the lines that are not wanted.
        const all = cube.books[layer][origin][side];
        for (let cell = 0; cell < size; cell++) array[cell] = (all[cell] as bigint) - (array[cell] as bigint);
      }
  const selected = opening.filter(({ facetSetId }) => (facetSetId === 0 ? withoutAny : ids.has(facetSetId)));
  return { ...cube, books, openings: openingsOf(cube.calendar, cube.accountIds.length, selected) };
}
