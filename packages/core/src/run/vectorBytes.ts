import type { AccountFlows } from '../statement/accountAmounts.ts';
import type { VectorNeed } from './need.ts';
import type { Vectors } from './vectors.ts';

/*
 * Vectors as little-endian 64-bit integers: how many accounts there are, their ids, then for each need in its order one amount of every account, what was not
 * allotted and what was carried over; of flows five amounts of every account.
 */

/** For needs that were provided. */
export function writeVectors(accountIds: readonly number[], needs: readonly VectorNeed[], vectors: Vectors): ArrayBuffer {
  const accounts = accountIds.length;
  const bytes = new DataView(new ArrayBuffer(8 * (1 + accounts + needs.reduce((sum, need) => sum + wordsOf(need, accounts), 0))));
  let at = 0;
  const word = (value: bigint): void => {
    bytes.setBigInt64(at, value, true);
    at += 8;
  };
  const all = (amounts: BigInt64Array): void => {
    for (let account = 0; account < accounts; account++) word(amounts[account] ?? 0n);
  };
  word(BigInt(accounts));
  for (const id of accountIds) word(BigInt(id));
  for (const need of needs) {
    if (need.take.take === 'flows') for (const amounts of flowsInOrder(vectors.flows(need))) all(amounts);
    else {
      const { net, notAllotted, carried } = vectors.of(need);
      all(net);
      word(notAllotted);
      word(carried);
    }
  }
  return bytes.buffer;
}

/** Gives them to `vectors`, by the dense numbers of `indexOf`; accounts that it does not know are left out. */
export function readVectors(buffer: ArrayBuffer, needs: readonly VectorNeed[], indexOf: ReadonlyMap<number, number>, vectors: Vectors): void {
  const bytes = new DataView(buffer);
  let at = 0;
  const word = (): bigint => {
    const value = bytes.getBigInt64(at, true);
    at += 8;
    return value;
  };
  const accounts = Number(word());
  const places = Array.from({ length: accounts }, () => indexOf.get(Number(word())));
  const all = (): BigInt64Array => {
    const amounts = new BigInt64Array(indexOf.size);
    for (const place of places) {
      const amount = word();
      if (place !== undefined) amounts[place] = amount;
    }
    return amounts;
  };
  for (const need of needs) {
    if (need.take.take === 'flows') {
      const [increases, raised, exchange, up, down] = [all(), all(), all(), all(), all()];
      vectors.giveFlows(need, { increases, raised, exchange, transfers: { raised: up, lowered: down } });
    } else vectors.give(need, { net: all(), notAllotted: word(), carried: word() });
  }
}

function wordsOf({ take }: VectorNeed, accounts: number): number {
  return take.take === 'flows' ? 5 * accounts : accounts + 2;
}

function flowsInOrder({ increases, raised, exchange, transfers }: AccountFlows): readonly BigInt64Array[] {
  return [increases, raised, exchange, transfers.raised, transfers.lowered];
}
