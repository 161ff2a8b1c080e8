import { allocate } from '../money/allocate.ts';
import { transfersWithin } from '../statement/equityTransfers.ts';
import type { CashEntry, CashPlaces, EntryLine } from './cashPlaces.ts';

/** What a line of an entry counts on one line of the direct cash flow; debit positive. */
export interface CashPart {
  readonly account: number;
  readonly line: number;
  readonly amount: bigint;
  /** Of the amount, what moved without cash; never of the other sign. */
  readonly without: bigint;
  readonly isCounted: boolean;
}

/**
 * `transfer`: between accounts of cash, counts nowhere. `without_cash`: no line is on cash; `isApart`: it is on several lines of the cash flow, and not all of them of
 * operating activities, so that all of it is taken out of each; `isWhole`: it is on an
 * account that is settled later, and counts whole.
 */
export type PartsOfEntry =
  | { readonly of: 'transfer' }
  | { readonly of: 'cash'; readonly parts: readonly CashPart[]; readonly without: bigint }
  | { readonly of: 'without_cash'; readonly parts: readonly CashPart[]; readonly isApart: boolean; readonly isWhole: boolean };

/** How an amount on an account between is shared over the lines of what was invoiced; the shares add up to it. */
export type Shares = (line: EntryLine, amount: bigint) => readonly (readonly [line: number, amount: bigint])[];

/**
 * Where an entry's cash came from or went to. Every line that is not on cash counts on the line of its account's place, so that an entry's parts,
 * less what is without cash, are its cash with the sign reversed. Of an entry that touches cash the smaller of its debits and its credits off
 * cash moved without it (IAS 7.43): where its parts stand in several activities, both sides give up as much, by amount. An entry that touches none gives up all. What moved
 * within equity is no flow.
 * Cost: lines × log lines.
 */
export function partsOfEntry(entry: CashEntry, places: CashPlaces, shares: Shares): PartsOfEntry {
  const off = entry.lines.filter(({ account }) => !places.isCashOn(account, entry.day));
  const touchesCash = off.length < entry.lines.length;
  if (off.length === 0) return { of: 'transfer' };
  const parts = withoutEquityTransfers(off, places).flatMap((line): CashPart[] => {
    const amount = line.debit - line.credit;
    if (amount === 0n) return [];
    if (touchesCash && places.isBetween(line.account))
      return shares(line, amount).map(([to, share]) => ({ account: line.account, line: to, amount: share, without: 0n, isCounted: line.isCounted }));
    return [{ account: line.account, line: lineOfAmount(line.account, amount, entry, places), amount, without: 0n, isCounted: line.isCounted }];
  });
  const isWhole = off.some(({ account }) => places.isSettledLater(account));
  const activities = new Set(isWhole ? [] : parts.map(({ line }) => places.activityOf[line]));
  if (!touchesCash) {
    const isApart = !isWhole && (activities.size > 1 || (!activities.has('operating') && new Set(parts.map(({ line }) => line)).size > 1));
    return { of: 'without_cash', parts: isApart ? parts.map((part) => ({ ...part, without: part.amount })) : parts, isApart, isWhole };
  }
  const without = activities.size > 1 ? smallerSide(parts) : 0n;
  return { of: 'cash', without, parts: without === 0n ? parts : givenUp(parts, without) };
}

/** The line of an account's own place. */
export function lineOfAmount(account: number, amount: bigint, { isReversing }: Pick<CashEntry, 'isReversing'>, places: CashPlaces): number {
  return places.lineOf(account, (amount > 0n === places.isCreditNormal(account)) === isReversing);
}

function smallerSide(parts: readonly CashPart[]): bigint {
  let [debits, credits] = [0n, 0n];
  for (const { amount } of parts)
    if (amount > 0n) debits += amount;
    else credits -= amount;
  return debits < credits ? debits : credits;
}

function givenUp(parts: readonly CashPart[], without: bigint): CashPart[] {
  const debits = allocate(
    without,
    parts.map(({ amount }) => (amount > 0n ? amount : 0n)),
  );
  const credits = allocate(
    without,
    parts.map(({ amount }) => (amount < 0n ? -amount : 0n)),
  );
  return parts.map((part, at) => ({ ...part, without: (debits[at] as bigint) - (credits[at] as bigint) }));
}

function withoutEquityTransfers(lines: readonly EntryLine[], { isEquity }: CashPlaces): readonly EntryLine[] {
  const ofEquity = lines.flatMap((line, at) => (isEquity(line.account) ? [{ ...line, at, entryId: 0 }] : []));
  if (ofEquity.length < 2) return lines;
  const within = new Map(transfersWithin(ofEquity).map((line) => [line.at, line]));
  if (within.size === 0) return lines;
  return lines.map((line, at) => {
    const moved = within.get(at);
    return moved ? { ...line, debit: line.debit - moved.debit, credit: line.credit - moved.credit } : line;
  });
}
