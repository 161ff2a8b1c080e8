import type { Day, Span } from '../calendar/day.ts';
import { yearOf } from '../calendar/fiscalCalendar.ts';
import type { Account } from '../chart/account.ts';
import { isIncomeOrExpense } from '../chart/element.ts';
import type { Cube } from './cube.ts';
import type { GrossVector } from './grossVector.ts';
import type { Layer, Origin } from './layer.ts';
import { type Position, positionAt, positionBefore } from './position.ts';

/** Sums of the ordinary lines from `position.partialFrom` to `position.day`; asked only where the day is inside a period. */
export type PartialLines = (position: Position, layer: Layer) => GrossVector | undefined;

/** What the cube has to know of an account, by its dense numbering. */
export interface AccountTraits {
  /** 1 for income and expense accounts, which begin every fiscal year at zero. */
  readonly resets: Uint8Array;
  /** Dense number of the account with the role retained earnings, or −1. */
  readonly retainedEarnings: number;
}

/** Traits of accounts in the order of the cube's numbering. */
export function traitsOf(accounts: readonly Pick<Account, 'id' | 'element'>[], retainedEarningsId: number | null): AccountTraits {
  return {
    resets: Uint8Array.from(accounts, ({ element }) => (isIncomeOrExpense(element) ? 1 : 0)),
    retainedEarnings: accounts.findIndex(({ id }) => id === retainedEarningsId),
  };
}

/** Net balances (debit positive) per account at the end of a day. */
export interface BalanceVector {
  readonly net: BigInt64Array;
  /** Profit of completed years that no account was named for; debit positive, so a profit is negative. */
  readonly notAllotted: bigint;
  /** What completed years left on income and expense accounts, wherever it went; debit positive. */
  readonly carried: bigint;
}

export interface BalanceOptions {
  /** Include the closing entries of the year that holds the day. */
  readonly afterClosing?: boolean;
  /** At the day's beginning: without its lines, but with everything that its fiscal year carried over, and what it opens with where it is the year's first. */
  readonly atBeginning?: boolean;
}

const nothing: PartialLines = () => undefined;

/** `into` += `from`, beginning at a place of it. A loop of its own over two arrays: within others, with a factor or a callback, it takes many times as long. */
function add(into: BigInt64Array, from: BigInt64Array, base = 0): void {
  for (let a = 0; a < into.length; a++) into[a] = (into[a] as bigint) + (from[base + a] as bigint);
}

function subtract(into: BigInt64Array, from: BigInt64Array, base = 0): void {
  for (let a = 0; a < into.length; a++) into[a] = (into[a] as bigint) - (from[base + a] as bigint);
}

/** The net of gross sums, times 1 or −1. */
function addNet(into: BigInt64Array, { debit, credit }: GrossVector, sign: 1 | -1, base = 0): void {
  const [more, less] = sign === 1 ? [debit, credit] : [credit, debit];
  for (let a = 0; a < into.length; a++) into[a] = (into[a] as bigint) + (more[base + a] as bigint) - (less[base + a] as bigint);
}

/** Net ordinary or closing lines up to the end of a position. */
function addCumulative(into: BigInt64Array, cube: Cube, layer: Layer, origin: Origin, periodIndex: number, sign: 1 | -1): void {
  if (periodIndex >= 0) addNet(into, cube.books[layer][origin], sign, periodIndex * into.length);
}

function addOrdinary(into: BigInt64Array, cube: Cube, layer: Layer, position: Position, sign: 1 | -1, partial: PartialLines): void {
  addCumulative(into, cube, layer, 'ordinary', position.periodIndex, sign);
  const lines = position.partialFrom === null ? undefined : partial(position, layer);
  if (lines) addNet(into, lines, sign);
}

/**
 * Balances at the end of a day. Balance sheet accounts run on; income and expense accounts hold the fiscal year to
 * date; what completed years left on them, closing entries included, counts as carried to retained earnings.
 * Closing entries of the year that holds the day are left out on all their lines unless asked for. So full,
 * partial, late and missing closings all come right.
 */
export function balanceAt(
  cube: Cube,
  traits: AccountTraits,
  chosen: readonly Layer[],
  day: Day,
  partial: PartialLines = nothing,
  options: BalanceOptions = {},
): BalanceVector {
  const accounts = cube.accountIds.length;
  const net = new BigInt64Array(accounts);
  const before = new BigInt64Array(accounts);
  const position = options.atBeginning ? positionBefore(cube.calendar, day) : positionAt(cube.calendar, day);
  const year = yearOf(cube.calendar, day);
  // Outside the years that were made there is no fiscal year to be in the middle of: all before the day is completed.
  const completed = year ? positionBefore(cube.calendar, year.firstDay) : position;
  const opened = options.atBeginning ? cube.openings.get(day) : undefined;
  for (const layer of chosen) {
    addOrdinary(net, cube, layer, position, 1, partial);
    if (opened) addNet(net, opened[layer], 1);
    addCumulative(net, cube, layer, 'closing', completed.periodIndex, 1);
    addCumulative(before, cube, layer, 'ordinary', completed.periodIndex, 1);
    addCumulative(before, cube, layer, 'closing', completed.periodIndex, 1);
  }
  let carried = 0n;
  for (let a = 0; a < accounts; a++) {
    if (traits.resets[a] !== 1) continue;
    const left = before[a] as bigint;
    carried += left;
    net[a] = (net[a] as bigint) - left;
  }
  if (options.afterClosing && year) {
    const last = positionAt(cube.calendar, year.lastDay);
    for (const layer of chosen) {
      addCumulative(net, cube, layer, 'closing', last.periodIndex, 1);
      addCumulative(net, cube, layer, 'closing', completed.periodIndex, -1);
    }
  }
  if (traits.retainedEarnings < 0) return { net, notAllotted: carried, carried };
  net[traits.retainedEarnings] = (net[traits.retainedEarnings] as bigint) + carried;
  return { net, notAllotted: 0n, carried };
}

/** All ordinary lines up to the end of a day, debit positive. */
export function postedUpTo(cube: Cube, chosen: readonly Layer[], day: Day, partial: PartialLines = nothing): BigInt64Array {
  const net = new BigInt64Array(cube.accountIds.length);
  for (const layer of chosen) addOrdinary(net, cube, layer, positionAt(cube.calendar, day), 1, partial);
  return net;
}

/** Gross sums of ordinary lines within both days; what a year opens with is not among those of a span from its first day. */
export function grossOver(cube: Cube, chosen: readonly Layer[], span: Span, partial: PartialLines = nothing): GrossVector {
  const accounts = cube.accountIds.length;
  const gross = { debit: new BigInt64Array(accounts), credit: new BigInt64Array(accounts) };
  const reckon = (change: typeof add, position: Position): void => {
    for (const layer of chosen) {
      const lines = position.partialFrom === null ? undefined : partial(position, layer);
      for (const side of ['debit', 'credit'] as const) {
        if (position.periodIndex >= 0) change(gross[side], cube.books[layer].ordinary[side], position.periodIndex * accounts);
        if (lines) change(gross[side], lines[side]);
      }
    }
  };
  reckon(add, positionAt(cube.calendar, span.lastDay));
  reckon(subtract, positionBefore(cube.calendar, span.firstDay));
  const opened = cube.openings.get(span.firstDay);
  if (opened) for (const layer of chosen) for (const side of ['debit', 'credit'] as const) subtract(gross[side], opened[layer][side]);
  return gross;
}

/** Ordinary lines of one period by its place in the calendar, debit positive: the last one of a year without what was adjusted behind it. */
export function movementOfPeriod(cube: Cube, chosen: readonly Layer[], periodIndex: number): BigInt64Array {
  const net = new BigInt64Array(cube.accountIds.length);
  for (const layer of chosen) {
    addCumulative(net, cube, layer, 'ordinary', periodIndex, 1);
    addCumulative(net, cube, layer, 'ordinary', periodIndex - 1, -1);
    const period = cube.calendar.periods[periodIndex];
    const opened = period?.isAdjusting ? undefined : cube.openings.get(period?.firstDay ?? '');
    if (opened) addNet(net, opened[layer], -1);
  }
  return net;
}

/** Ordinary lines within both days, debit positive; closing entries and carry-over are not among them, nor what a year opens with in a span from its first day. */
export function movementOver(cube: Cube, chosen: readonly Layer[], span: Span, partial: PartialLines = nothing): BigInt64Array {
  const net = new BigInt64Array(cube.accountIds.length);
  for (const layer of chosen) {
    addOrdinary(net, cube, layer, positionAt(cube.calendar, span.lastDay), 1, partial);
    addOrdinary(net, cube, layer, positionBefore(cube.calendar, span.firstDay), -1, partial);
    const opened = cube.openings.get(span.firstDay);
    if (opened) addNet(net, opened[layer], -1);
  }
  return net;
}
