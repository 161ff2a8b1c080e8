import type { CompiledLayout } from '../layout/compileLayout.ts';

/** One amount per account (debit positive), and what the result lines hold beside them. */
export interface ColumnInput {
  readonly net: BigInt64Array;
  /** Of all income and expense accounts, placed or not; debit positive. */
  readonly result: bigint;
  readonly notAllotted: bigint;
}

/** Net amounts (debit positive) by line of the compiled layout. */
export type LineAmounts = BigInt64Array;

/**
 * One pass over the accounts, one pass up the lines. A zero balance counts as the normal side, and adds nothing.
 * Cost: accounts + lines.
 */
export function runColumn(compiled: CompiledLayout, input: ColumnInput): LineAmounts {
  const { lines, parentAt, lineOfDebit, lineOfCredit, indexOf } = compiled;
  const amounts = new BigInt64Array(lines.length);
  const { net } = input;
  for (let account = 0; account < net.length; account++) {
    const amount = net[account] as bigint;
    if (amount === 0n) continue;
    const line = (amount > 0n ? lineOfDebit[account] : lineOfCredit[account]) as number;
    if (line >= 0) amounts[line] = (amounts[line] as bigint) + amount;
  }
  for (const [index, line] of lines.entries()) if (line.kind === 'result') amounts[index] = line.of === 'year_to_date' ? input.result : input.notAllotted;
  for (let index = lines.length - 1; index >= 0; index--) {
    const parent = parentAt[index] as number;
    const line = lines[index];
    if (parent >= 0 && line?.kind !== 'sum') amounts[parent] = (amounts[parent] as bigint) + (amounts[index] as bigint);
  }
  for (const [index, line] of lines.entries())
    if (line.kind === 'sum') amounts[index] = line.terms.reduce((total, key) => total + (amounts[indexOf.get(key) as number] as bigint), 0n);
  return amounts;
}

/** Profit (credit) or loss of all income and expense accounts, placed or not; debit positive. */
export function resultOf(net: BigInt64Array, resets: Uint8Array): bigint {
  let result = 0n;
  for (let account = 0; account < net.length; account++) if (resets[account] === 1) result += net[account] as bigint;
  return result;
}
