import type { ColumnInput } from './runColumn.ts';

/**
 * A column of some accounts alone, by their dense numbers: the amounts of the others are nil. What no account bears, profit of earlier years that
 * was not allotted, is in it where `withResult`, as income and expense accounts then are.
 */
export function maskColumn(input: ColumnInput, borne: Iterable<number>, withResult: boolean): ColumnInput {
  const masked = (vector: BigInt64Array): BigInt64Array => {
    const own = new BigInt64Array(vector.length);
    for (const account of borne) own[account] = vector[account] as bigint;
    return own;
  };
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
