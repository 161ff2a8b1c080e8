import type { ColumnInput } from './runColumn.ts';

/**
 * A column of some accounts alone: the amounts of the others are nil. What no account bears, profit of earlier years that
 * was not allotted, is in it where `withResult`, as income and expense accounts then are.
 */
export function maskColumn(input: ColumnInput, isBorne: (account: number) => boolean, withResult: boolean): ColumnInput {
  const masked = (vector: BigInt64Array): BigInt64Array => vector.map((amount, account) => (isBorne(account) ? amount : 0n));
  const { net, readings, sides } = input;
  return {
    ...input,
    net: masked(net),
    result: withResult ? input.result : 0n,
    notAllotted: withResult ? input.notAllotted : 0n,
    ...(readings ? { readings: readings.map(masked) } : {}),
    // An account is on the side that it is on as a whole, whoever bears it.
    ...(sides?.opening ? { sides: { ...sides, opening: masked(sides.opening) } } : {}),
  };
}
