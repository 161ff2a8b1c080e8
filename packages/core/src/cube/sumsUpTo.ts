import type { Cube } from './cube.ts';
import type { GrossVector } from './grossVector.ts';
import type { Layer, Origin } from './layer.ts';
import { noSums, type SumsByLayer } from './sumsByLayer.ts';

/** By account, of all periods up to one; a period before the first has nothing. A copy. */
export function sumsUpTo(cube: Cube, origin: Origin, periodIndex: number): SumsByLayer {
  const accounts = cube.accountIds.length;
  if (periodIndex < 0) return noSums(accounts);
  const part = (sums: BigInt64Array): BigInt64Array => sums.slice(periodIndex * accounts, (periodIndex + 1) * accounts);
  const of = (layer: Layer): GrossVector => ({ debit: part(cube.books[layer][origin].debit), credit: part(cube.books[layer][origin].credit) });
  return { ledger: of('ledger'), adjustment: of('adjustment') };
}
