import type { DigitOrder } from './numberOrder.ts';
import { type NumberRange, type NumberRanges, numberKey, rangeTest } from './numberRange.ts';

/** The number of an account before and after; empty where it has none. */
export interface NumberFollowed {
  readonly before: string;
  readonly after: string;
}

/**
 * Ranges that hold the same accounts although numbers, or the order of numbers, change: an account that is named by itself is named by its new
 * number, one that leaves a span is named, one that would come in is left out by name; a name that is needed no more goes, so that with the
 * numbers back the ranges are what they were. `null` where no ranges can say it. Cost: accounts × ranges.
 */
export function rangesFollowing(
  ranges: NumberRanges,
  accounts: readonly NumberFollowed[],
  order: { readonly before: DigitOrder; readonly after: DigitOrder },
): NumberRanges | null {
  const changed = new Map(accounts.flatMap(({ before, after }) => (before !== after && before !== '' ? [[before.toLowerCase(), after]] : [])));
  const heldBefore = rangeTest(ranges, order.before);
  const should = accounts.map(({ before }) => heldBefore(numberKey(before, order.before)));
  const keys = accounts.map(({ after }) => numberKey(after, order.after));
  const wrongIn = (one: NumberRanges): number[] => {
    const holds = rangeTest(one, order.after);
    return keys.flatMap((key, at) => (holds(key) === should[at] ? [] : [at]));
  };
  const renamed = (range: NumberRange): NumberRange => {
    const number = singleOf(range);
    const after = number === null ? undefined : changed.get(number.toLowerCase());
    return after === undefined || after === '' ? range : single(after);
  };
  let following: NumberRanges = { include: ranges.include.map(renamed), except: ranges.except.map(renamed) };
  // What is named may hold others that begin with it, which are left out by name in the second round.
  for (let round = 0; round < 2; round++) {
    const wrong = wrongIn(following);
    if (wrong.length === 0) break;
    const named = (isMissing: boolean): NumberRange[] => wrong.flatMap((at) => (should[at] === isMissing ? [single(accounts[at]?.after ?? '')] : []));
    following = { include: [...following.include, ...named(true)], except: [...following.except, ...named(false)] };
  }
  if (wrongIn(following).length > 0) return null;
  const touched = new Set([...changed].flat().map((number) => number.toLowerCase()));
  // Under another order any name may be one that was only needed under the order before.
  const isOfChanged = (number: string): boolean => order.before !== order.after || touched.has(number.toLowerCase());
  for (const part of ['include', 'except'] as const)
    for (const range of following[part]) {
      const number = singleOf(range);
      if (number === null || !isOfChanged(number)) continue;
      const without = { ...following, [part]: following[part].filter((one) => one !== range) };
      if (wrongIn(without).length === 0) following = without;
    }
  return following;
}

function single(number: string): NumberRange {
  return { kind: 'span', from: number, to: number };
}

function singleOf(range: NumberRange): string | null {
  return range.kind === 'span' && range.from !== null && range.from === range.to ? range.from : null;
}
