import type { SelectedSets } from '../facet/facetFilter.ts';
import { type Cube, cumulate, emptyBooks } from './cube.ts';
import type { FacetBalances } from './facetBalances.ts';
import { layers } from './layer.ts';
import { noSums, plusSums, type SumsByLayer } from './sumsByLayer.ts';

/** Each account with each facet set that lines on it have; parallel, by account, then set. */
export interface Pairs {
  /** Dense number in the cube of all lines. */
  readonly account: Uint32Array;
  readonly set: Uint32Array;
}

/** The balances of pairs: a cube whose accounts are pairs, numbered from 0. */
export interface PairCube extends Pairs {
  readonly cube: Cube;
  /** The pair of an account and a set; a bug where nothing was posted on it. */
  pairOf(account: number, set: number): number;
}

/** Cost: rows + periods × pairs. */
export function buildPairCube({ revision, calendar, accountIds }: Cube, posted: FacetBalances): PairCube {
  const accounts = accountIds.length;
  const setsOf = new Map<number, Set<number>>();
  for (const [set, groups] of posted)
    for (const { at } of groups)
      for (const cell of at) {
        const sets = setsOf.get(cell % accounts);
        if (sets) sets.add(set);
        else setsOf.set(cell % accounts, new Set([set]));
      }
  const pairs = [...setsOf].sort(([a], [b]) => a - b).flatMap(([account, sets]) => [...sets].sort((a, b) => a - b).map((set) => ({ account, set })));
  const bySet = new Map([...posted.keys()].map((set) => [set, new Map<number, number>()]));
  for (const [pair, { account, set }] of pairs.entries()) bySet.get(set)?.set(account, pair);
  const pairOf = (account: number, set: number): number => {
    const pair = bySet.get(set)?.get(account);
    if (pair === undefined) throw new Error(`nothing was posted on account ${accountIds[account]} with facet set ${set}`);
    return pair;
  };
  const books = emptyBooks(pairs.length * calendar.periods.length);
  for (const [set, groups] of posted)
    for (const { layer, origin, at, debit, credit } of groups) {
      const into = books[layer][origin];
      for (const [index, cell] of at.entries()) {
        const account = cell % accounts;
        const place = ((cell - account) / accounts) * pairs.length + pairOf(account, set);
        into.debit[place] = (into.debit[place] as bigint) + (debit[index] as bigint);
        into.credit[place] = (into.credit[place] as bigint) + (credit[index] as bigint);
      }
    }
  for (const layer of layers)
    for (const origin of ['ordinary', 'closing'] as const) for (const side of ['debit', 'credit'] as const) cumulate(books[layer][origin][side], pairs.length);
  const ids = [...pairs.keys()];
  return {
    cube: { revision, calendar, accountIds: ids, indexOf: new Map(ids.map((pair) => [pair, pair])), books, openings: new Map() },
    account: Uint32Array.from(pairs, ({ account }) => account),
    set: Uint32Array.from(pairs, ({ set }) => set),
    pairOf,
  };
}

/** By account, what the selected lines have. `sums`: by pair; `whole`: what all lines have, by account. */
export function selectPairs({ account, set }: Pairs, sums: SumsByLayer, whole: SumsByLayer, { ids, withoutAny }: SelectedSets): SumsByLayer {
  const added = noSums(whole.ledger.debit.length);
  for (let pair = 0; pair < account.length; pair++) {
    // Lines without any value are all lines less those of every set.
    if (ids.has(set[pair] as number) === withoutAny) continue;
    const at = account[pair] as number;
    for (const layer of layers)
      for (const side of ['debit', 'credit'] as const) added[layer][side][at] = (added[layer][side][at] as bigint) + (sums[layer][side][pair] as bigint);
  }
  return withoutAny ? plusSums(whole, added, -1n) : added;
}
