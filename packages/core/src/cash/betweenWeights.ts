import { allocate } from '../money/allocate.ts';
import type { CashEntry, CashPlaces } from './cashPlaces.ts';
import { lineOfAmount } from './partsOfEntry.ts';

/** Periods whose invoices tell what is paid: that of the payment and those before it. */
const periodsLookedBack = 24;

/** By account and partner, by line of the direct cash flow: the net of what faced them, debit positive. */
export type Faced = Map<string, Map<number, bigint>>;

function facedKey(account: number, partner: number): string {
  return `${account} ${partner}`;
}

/**
 * Adds what an entry's lines that are neither cash nor between are for its lines on accounts between. Where it has several of those, by account
 * and partner, each faced as much as is its part of them.
 */
export function addFaced(faced: Faced, entry: CashEntry, places: CashPlaces): void {
  const between = new Map<string, bigint>();
  for (const { account, partner, debit, credit } of entry.lines) {
    if (places.isCashOn(account, entry.day) || !places.isBetween(account)) continue;
    const key = facedKey(account, partner);
    between.set(key, (between.get(key) ?? 0n) + debit - credit);
  }
  if (between.size === 0) return;
  const facing = new Map<number, bigint>();
  for (const { account, debit, credit } of entry.lines) {
    if (places.isCashOn(account, entry.day) || places.isBetween(account)) continue;
    const line = lineOfAmount(account, debit - credit, entry, places);
    facing.set(line, (facing.get(line) ?? 0n) + debit - credit);
  }
  const sizes = [...between.values()].map((amount) => (amount < 0n ? -amount : amount));
  const isNil = sizes.every((size) => size === 0n);
  for (const [line, amount] of facing) {
    const parts = isNil ? sizes.map(() => 0n) : allocate(amount, sizes);
    for (const [at, key] of [...between.keys()].entries()) {
      const part = parts[at] as bigint;
      if (part === 0n) continue;
      const there = faced.get(key) ?? new Map<number, bigint>();
      faced.set(key, there.set(line, (there.get(line) ?? 0n) + part));
    }
  }
}

/** What a period looks back on, of what was faced in each of the periods up to it, the last one being its own. */
export function facedUpTo(periods: readonly Faced[]): Faced {
  const all: Faced = new Map();
  for (const faced of periods.slice(-periodsLookedBack))
    for (const [key, lines] of faced) {
      const there = all.get(key) ?? new Map<number, bigint>();
      all.set(key, there);
      for (const [line, amount] of lines) there.set(line, (there.get(line) ?? 0n) + amount);
    }
  return all;
}

/** What lines an account and partner are shared over, in the order of the lines; nets of the side that the account normally has are nil. */
export function weightsOf(faced: Faced, account: number, partner: number, isCreditNormal: boolean): readonly (readonly [line: number, weight: bigint])[] {
  return [...(faced.get(facedKey(account, partner)) ?? [])]
    .map(([line, net]) => [line, isCreditNormal ? net : -net] as const)
    .filter(([, weight]) => weight > 0n)
    .sort(([one], [other]) => one - other);
}
