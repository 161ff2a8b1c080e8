import type { CheckedRow } from '@ivory-ladder/contract';
import type { Element } from '@ivory-ladder/core';

/** Each on its natural side, in minor units; a loss is negative. */
interface ComesTo {
  readonly assets: bigint;
  readonly liabilities: bigint;
  readonly equity: bigint;
  readonly profit: bigint;
}

/** Of the rows of a file by their elements; `null` while one has no element or no amount, or where there are none. */
export function fileComesTo(rows: readonly Pick<CheckedRow, 'element' | 'amount'>[]): ComesTo | null {
  if (rows.length === 0) return null;
  const sums: Record<Element, bigint> = { asset: 0n, liability: 0n, equity: 0n, income: 0n, expense: 0n };
  for (const { element, amount } of rows) {
    if (element === null || amount === null) return null;
    sums[element] += BigInt(amount);
  }
  return { assets: sums.asset, liabilities: -sums.liability, equity: -sums.equity, profit: -(sums.income + sums.expense) };
}
