import type { SelectedSets } from '../facet/facetFilter.ts';
import { buildCube, type Cube, layers } from './cube.ts';
import type { FacetBalances } from './facetBalances.ts';
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
  const keyOf = (account: number, set: number): number => account * 2 ** 32 + set;
  const keys = new Set<number>();
  for (const [set, groups] of posted) for (const { at } of groups) for (const cell of at) keys.add(keyOf(cell % accounts, set));
  const sorted = Float64Array.from(keys).sort();
  const pairs = new Map([...sorted].map((key, pair) => [key, pair]));
  const pairOf = (account: number, set: number): number => {
    const pair = pairs.get(keyOf(account, set));
    if (pair === undefined) throw new Error(`nothing was posted on account ${accountIds[account]} with facet set ${set}`);
    return pair;
  };
  const rows = [...posted].flatMap(([set, groups]) =>
    groups.flatMap(({ layer, origin, at, debit, credit }) =>
      Array.from(at, (cell, index) => ({
        accountId: pairOf(cell % accounts, set),
        layer,
        origin,
        periodIndex: Math.floor(cell / accounts),
        debit: debit[index] as bigint,
        credit: credit[index] as bigint,
      })),
    ),
  );
  return {
    cube: buildCube(revision, calendar, [...pairs.values()], rows),
    account: Uint32Array.from(sorted, (key) => Math.floor(key / 2 ** 32)),
    set: Uint32Array.from(sorted, (key) => key % 2 ** 32),
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
