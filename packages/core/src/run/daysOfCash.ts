import type { Day, Span } from '../calendar/day.ts';
import { hasCashDays, isCashAtEnds, isCashOn } from '../chart/cashDays.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import type { AccountAmounts } from '../statement/accountAmounts.ts';
import type { Ground, Placed } from './ground.ts';
import type { BesideCash, StandIns } from './standIn.ts';
import { placedBeside, widened } from './standIns.ts';

const placedOf = new WeakMap<Ground['portions'], Placed & { readonly standIns: StandIns }>();

/**
 * The ground of a cash flow, with an account beside each one that is cash on some days only: it is not cash, stands where that one stands, and bears
 * what that one holds and moves while it is not cash. So what becomes cash, or is it no more, is a flow of its own, and cash at the end of a span is that at the
 * beginning of the next.
 */
export function groundOfCash(ground: Ground): Ground {
  if (ground.standIns || !ground.accounts.some(hasCashDays)) return ground;
  const placed = placedOf.get(ground.portions) ?? besideCashOf(ground);
  placedOf.set(ground.portions, placed);
  return { ...ground, ...placed };
}

function besideCashOf(ground: Ground): Placed & { readonly standIns: StandIns } {
  const portions = new Map(ground.portions);
  const labels = new Map(ground.labels);
  const standFor = new Map<number, number>();
  const besideCash: BesideCash[] = [];
  const added = ground.accounts.filter(hasCashDays).map((account, at) => {
    const id = placedBeside(at);
    const stands = ground.portions.get(account.id);
    if (stands) portions.set(id, stands);
    labels.set(id, ground.labels.get(account.id) ?? account.name);
    standFor.set(id, account.id);
    besideCash.push({ of: ground.indexOf.get(account.id) as number, by: ground.accountIds.length + at, account });
    return { ...account, id, role: null };
  });
  return widened(ground, added, { labels, portions, standIns: { onDay: new Map(), standFor, besideCash } });
}

/** What accounts that are cash on some days only have over a span, with the rest on those beside them. */
export function splitByDaysOfCash({ standIns }: Pick<Ground, 'standIns'>, span: Span, amounts: AccountAmounts): AccountAmounts {
  const pairs = standIns?.besideCash ?? [];
  if (pairs.length === 0) return amounts;
  const split = (vector: BigInt64Array, held: (pair: BesideCash, whole: bigint) => bigint): BigInt64Array => {
    const parts = vector.slice();
    for (const pair of pairs) {
      const whole = vector[pair.of] as bigint;
      const own = held(pair, whole);
      parts[pair.of] = own;
      parts[pair.by] = whole - own;
    }
    return parts;
  };
  const ends = (pair: BesideCash) => isCashAtEnds(pair.account, span);
  const openingOf = ({ of }: BesideCash): bigint => amounts.opening[of] as bigint;
  const closingOf = ({ of }: BesideCash): bigint => amounts.closing[of] as bigint;
  const moved = (pair: BesideCash, whole: bigint): bigint => {
    const { opening, closing } = ends(pair);
    if (opening === closing) return opening ? whole : 0n;
    return (closing ? closingOf(pair) : 0n) - (opening ? openingOf(pair) : 0n);
  };
  const ifAny = (pair: BesideCash, whole: bigint): bigint => (ends(pair).opening || ends(pair).closing ? whole : 0n);
  const movement = split(amounts.movement, moved);
  const { flows } = amounts;
  /** Of the account beside: one direction alone where it only comes or goes at an end. */
  const raising = (vector: BigInt64Array, isCredit: (pair: BesideCash) => boolean): BigInt64Array =>
    split(vector, (pair, whole) => {
      const { opening, closing } = ends(pair);
      if (opening === closing) return opening ? whole : 0n;
      const own = movement[pair.of] as bigint;
      return own > 0n === isCredit(pair) ? 0n : own;
    });
  const isCredit = ({ account }: BesideCash): boolean => account.normalSide === 'credit';
  return {
    ...amounts,
    opening: split(amounts.opening, (pair, whole) => (ends(pair).opening ? whole : 0n)),
    closing: split(amounts.closing, (pair, whole) => (ends(pair).closing ? whole : 0n)),
    movement,
    ...(flows
      ? { flows: { ...flows, increases: raising(flows.increases, isCredit), raised: raising(flows.raised, isCredit), exchange: split(flows.exchange, ifAny) } }
      : {}),
  };
}

/** What accounts moved while they were not cash, on those beside them. */
export function onThoseBesideCash({ standIns }: Pick<Ground, 'standIns'>, moved: BigInt64Array): BigInt64Array {
  const pairs = standIns?.besideCash ?? [];
  if (pairs.length === 0) return moved;
  const beside = moved.slice();
  for (const { of, by } of pairs) {
    beside[by] = moved[of] as bigint;
    beside[of] = 0n;
  }
  return beside;
}

/** A cash flow with what is cash on a day alone, which the balance sheet of that day is held against. */
export function cashOn({ layout, ...compiled }: CompiledLayout, { standIns }: Pick<Ground, 'standIns'>, day: Day): CompiledLayout {
  const { cash } = layout;
  const limited = new Map((standIns?.besideCash ?? []).map(({ of, account }) => [of, account]));
  if (!cash || limited.size === 0) return { ...compiled, layout };
  const places = Array.from(cash.accounts, (_, place) => place).filter((place) => {
    const account = limited.get(cash.accounts[place] as number);
    return account === undefined || isCashOn(account, day);
  });
  const accounts = Int32Array.from(places, (place) => cash.accounts[place] as number);
  return { ...compiled, layout: { ...layout, cash: { ...cash, accounts, sides: Uint8Array.from(places, (place) => cash.sides[place] as number) } } };
}

/** Balances with what the accounts beside cash have put back on those that they stand beside. */
export function putTogether({ standIns }: Pick<Ground, 'standIns'>, balances: BigInt64Array): BigInt64Array {
  const whole = balances.slice();
  for (const { of, by } of standIns?.besideCash ?? []) {
    whole[of] = (whole[of] as bigint) + (whole[by] as bigint);
    whole[by] = 0n;
  }
  return whole;
}
