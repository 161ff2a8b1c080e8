import type { GrossVector } from './grossVector.ts';
import { type Layer, layers } from './layer.ts';

/** Gross sums of each layer, by whatever their vectors are numbered by. */
export type SumsByLayer = Readonly<Record<Layer, GrossVector>>;

export function noSums(length: number): SumsByLayer {
  const vector = (): GrossVector => ({ debit: new BigInt64Array(length), credit: new BigInt64Array(length) });
  return { ledger: vector(), adjustment: vector() };
}

/** What both have, each vector as long as that of `sums`. `sign`: −1 takes away. */
export function plusSums(sums: SumsByLayer, more: SumsByLayer, sign: 1n | -1n = 1n): SumsByLayer {
  const side = (of: BigInt64Array, by: BigInt64Array): BigInt64Array => of.map((amount, at) => amount + sign * (by[at] ?? 0n));
  const both = (layer: Layer): GrossVector => ({ debit: side(sums[layer].debit, more[layer].debit), credit: side(sums[layer].credit, more[layer].credit) });
  return { ledger: both('ledger'), adjustment: both('adjustment') };
}

/** Net, debit positive, over the layers that are named. */
export function netIn(sums: SumsByLayer, index: number, chosen: readonly Layer[] = layers): bigint {
  let net = 0n;
  for (const layer of chosen) net += (sums[layer].debit[index] as bigint) - (sums[layer].credit[index] as bigint);
  return net;
}
