import type { Day } from '../calendar/day.ts';
import { facetKey } from '../facet/facetFilter.ts';
import { neededBy } from '../formula/checkFormula.ts';
import { orderByNeed } from '../formula/orderByNeed.ts';
import type { Portions } from '../placement/place.ts';
import { type AccountReading, type AccountsLine, childrenOf, type Layout, type Line, type Selection } from './line.ts';
import { siblingsOf } from './siblings.ts';

/** Portions of an account that a line takes beside, or otherwise than, the line that holds them: memo lines, facet values, a second line. */
export interface Take {
  readonly line: number;
  readonly account: number;
  /** Bit 1: the debit side, bit 2: the credit side. */
  readonly sides: number;
  /** Index into the layout's readings; −1: the column's own amount. */
  readonly reading: number;
  /** −1 where a remainder gives up what another line takes a part of, and where a transfer adds what another line is without. */
  readonly factor: 1n | -1n;
  /** Moved between lines; the account stands where it stands all the same. */
  readonly isTransfer?: boolean;
}

/** What a fixed transfer gives a line in columns that hold its day. */
export interface FixedTake {
  readonly line: number;
  readonly day: Day;
  readonly text: string;
  /** Debit positive. */
  readonly net: bigint;
}

/** A layout made ready for runs: lines in order, parents before children, and where each account's balances go. */
export interface CompiledLayout {
  readonly layout: Layout;
  readonly lines: readonly Line[];
  /** Index of the group around each line, or −1. */
  readonly parentAt: Int32Array;
  /** Lines that are shown in the figure of another line, by that line's index; most lines have none. */
  readonly shownWithin: ReadonlyMap<number, readonly number[]>;
  readonly indexOf: ReadonlyMap<string, number>;
  /** Line that takes the account's balance while in debit, by the cube's dense numbering; −1 for none. */
  readonly lineOfDebit: Int32Array;
  readonly lineOfCredit: Int32Array;
  readonly takes: readonly Take[];
  readonly fixed: readonly FixedTake[];
  /** Amounts of accounts that lines need beside the column's own, each once. */
  readonly readings: readonly AccountReading[];
  /** Of a cash flow: index of the reading of what was moved within equity, which is in no line's own amount; −1 in others. */
  readonly transfersAt: number;
  /** Sums and calculations, each behind what it needs; those of a cycle and what needs them are not among them. */
  readonly derived: readonly number[];
  /** Keys of lines that need each other. */
  readonly cycles: readonly (readonly string[])[];
  /** Keys of sibling lines from one to another. */
  readonly between: (from: string, to: string) => readonly string[] | null;
}

const debitSide = 1;
const creditSide = 2;

/** Cost: lines + accounts + portions taken. A sum that names a line which is not there is a bug of whoever made the layout. */
export function compileLayout(layout: Layout, accountIds: readonly number[], portions: ReadonlyMap<number, Portions>): CompiledLayout {
  const lines: Line[] = [];
  const parents: number[] = [];
  const collect = (line: Line, parent: number): void => {
    const index = lines.length;
    lines.push(line);
    parents.push(parent);
    for (const child of childrenOf(line)) collect(child, index);
  };
  for (const line of layout.lines) collect(line, -1);
  const indexOf = new Map(lines.map((line, index) => [line.key, index]));
  if (indexOf.size !== lines.length) throw new Error('two lines of the layout have one key');
  for (const line of lines) if (line.kind === 'sum') for (const { key } of line.terms) if (!indexOf.has(key)) throw new Error(`sum ${line.key} names ${key}`);
  const taken = takePortions(layout, lines, indexOf, accountIds, portions);
  const between = siblingsOf(layout);
  const derivedKeys = lines.flatMap((line) => (line.kind === 'sum' || line.kind === 'calculation' ? [line.key] : []));
  const isDerived = new Set(derivedKeys);
  const within = groupByHost(lines, indexOf);
  const { order, cycles } =
    derivedKeys.length === 0
      ? { order: [], cycles: [] }
      : orderByNeed(derivedKeys, (key) => {
          const line = lines[indexOf.get(key) ?? -1];
          if (line?.kind === 'sum') return line.terms.map((term) => term.key);
          return line?.kind === 'calculation' && 'kind' in line.formula ? neededBy(line.formula, { between }) : [];
        });
  return {
    layout,
    lines,
    parentAt: Int32Array.from(parents),
    shownWithin: within,
    indexOf,
    ...taken,
    derived: order.filter((key) => isDerived.has(key)).map((key) => indexOf.get(key) as number),
    cycles,
    between,
  };
}

function takePortions(
  layout: Layout,
  lines: readonly Line[],
  indexOf: ReadonlyMap<string, number>,
  accountIds: readonly number[],
  portions: ReadonlyMap<number, Portions>,
) {
  const [lineOfDebit, lineOfCredit] = [new Int32Array(accountIds.length).fill(-1), new Int32Array(accountIds.length).fill(-1)];
  const takes: Take[] = [];
  const readings = new Map<string, { readonly at: number; readonly reading: AccountReading }>();
  const readingAt = (reading: AccountReading): number => {
    const key = `${reading.measure} ${reading.direction ?? ''} ${reading.ofOwners ?? ''} ${facetKey(reading.facets)}`;
    const there = readings.get(key) ?? { at: readings.size, reading };
    readings.set(key, there);
    return there.at;
  };
  const linesOfCategory = new Map<number, number[]>();
  const selecting: number[] = [];
  for (const [index, line] of lines.entries()) {
    if (line.kind !== 'accounts') continue;
    if (line.categoryId === null) {
      selecting.push(index);
      continue;
    }
    const there = linesOfCategory.get(line.categoryId);
    if (there) there.push(index);
    else linesOfCategory.set(line.categoryId, [index]);
  }
  const take = (line: number, account: number, sides: number): void => {
    let left = sides;
    if (left & debitSide && lineOfDebit[account] === -1) {
      lineOfDebit[account] = line;
      left &= ~debitSide;
    }
    if (left & creditSide && lineOfCredit[account] === -1) {
      lineOfCredit[account] = line;
      left &= ~creditSide;
    }
    if (left !== 0) takes.push({ line, account, sides: left, reading: -1, factor: 1n });
  };
  for (let account = 0; account < accountIds.length; account++) {
    const own = portions.get(accountIds[account] as number);
    if (!own) continue;
    const debit = own.debit === null ? undefined : linesOfCategory.get(own.debit);
    const credit = own.credit === null ? undefined : linesOfCategory.get(own.credit);
    if (debit) for (const line of debit) take(line, account, debit === credit ? debitSide | creditSide : debitSide);
    if (credit && credit !== debit) for (const line of credit) take(line, account, creditSide);
  }
  const partsOf = new Map<number, Take[]>();
  for (const remaindersNow of [false, true]) {
    // What remainders leave to lines of a part is known before the first of them takes anything.
    if (remaindersNow) for (const part of takes) if (!isMemoLine(lines[part.line])) partsOf.set(part.account, [...(partsOf.get(part.account) ?? []), part]);
    for (const index of selecting) {
      const line = lines[index] as AccountsLine;
      const { selection, reading, isRemainder = false, isMemo = false } = line;
      if (!selection || isRemainder !== remaindersNow) continue;
      const at = reading ? readingAt(reading) : -1;
      for (let place = 0; place < selection.accounts.length; place++) {
        const account = selection.accounts[place] as number;
        const sides = selection.sides[place] as number;
        if (isRemainder) takeRest(index, account, sides);
        else if (reading || isMemo) takes.push({ line: index, account, sides, reading: at, factor: 1n });
        else take(index, account, sides);
      }
    }
  }
  /** What no other line takes; where lines take some facet values of it, all but those. */
  function takeRest(line: number, account: number, sides: number): void {
    const free = (sides & debitSide && lineOfDebit[account] === -1 ? debitSide : 0) | (sides & creditSide && lineOfCredit[account] === -1 ? creditSide : 0);
    if (free === 0) return;
    take(line, account, free);
    for (const part of partsOf.get(account) ?? []) if ((part.sides & free) !== 0) takes.push({ ...part, line, sides: part.sides & free, factor: -1n });
  }
  const transfer = (line: number, { accounts, sides }: Selection, reading: number, factor: 1n | -1n): void => {
    for (const [place, account] of accounts.entries()) takes.push({ line, account, sides: sides[place] as number, reading, factor, isTransfer: true });
  };
  const fixed: FixedTake[] = [];
  for (const { text, on, from, amount } of layout.transfers ?? []) {
    const [added, taken] = [indexOf.get(on), indexOf.get(from)];
    if (added === undefined || taken === undefined) throw new Error(`a transfer from ${from} to ${on}, which are not both there`);
    if (amount.kind === 'living') {
      transfer(added, amount.selection, -1, -1n);
      transfer(taken, amount.selection, -1, 1n);
    } else fixed.push({ line: added, day: amount.day, text, net: -amount.inflow }, { line: taken, day: amount.day, text, net: amount.inflow });
  }
  for (const line of lines) {
    const addedBackOn = line.kind === 'accounts' && line.addedBackOn !== undefined ? indexOf.get(line.addedBackOn) : undefined;
    const host = addedBackOn === undefined ? undefined : lines[addedBackOn];
    if (addedBackOn !== undefined && host?.kind === 'accounts' && !host.isMemo && line.kind === 'accounts' && line.selection && line.reading)
      transfer(addedBackOn, line.selection, readingAt(line.reading), 1n);
  }
  // Profit stays whole, and what of it moved without cash stands on the line that frees it.
  for (const [index, line] of lines.entries()) {
    const host = line.kind === 'accounts' && line.freedOn !== undefined ? indexOf.get(line.freedOn) : undefined;
    if (host === undefined || layout.withoutCash === undefined || line.kind !== 'accounts' || !line.selection || lines[host]?.kind !== 'accounts') continue;
    const reading = readingAt({ measure: 'without_cash', facets: {} });
    transfer(index, line.selection, reading, 1n);
    transfer(host, line.selection, reading, -1n);
  }
  const transfersAt = layout.kind === 'cash_flow' ? readingAt({ measure: 'column', facets: {}, direction: 'transfer' }) : -1;
  return { lineOfDebit, lineOfCredit, takes, fixed, readings: [...readings.values()].map(({ reading }) => reading), transfersAt };
}

/** Whether any line takes one side alone of an account. */
export function isBySide(compiled: CompiledLayout): boolean {
  const takes = bySide.get(compiled) ?? takesBySide(compiled);
  bySide.set(compiled, takes);
  return takes;
}

/** Asked for each column. */
const bySide = new WeakMap<CompiledLayout, boolean>();

function takesBySide({ lineOfDebit, lineOfCredit, takes }: CompiledLayout): boolean {
  for (let account = 0; account < lineOfDebit.length; account++) if (lineOfDebit[account] !== lineOfCredit[account]) return true;
  return takes.some(({ sides }) => sides !== 3);
}

/** Whether a line takes one side alone of a balance sheet account; its movements are told apart by the balances at both ends. `resets`: 1 for the others. */
export function isSplitBySide(compiled: CompiledLayout, resets: Uint8Array): boolean {
  const before = split.get(compiled);
  if (before?.resets === resets) return before.isSplit;
  const isSplit = splitsBySide(compiled, resets);
  split.set(compiled, { resets, isSplit });
  return isSplit;
}

const split = new WeakMap<CompiledLayout, { readonly resets: Uint8Array; readonly isSplit: boolean }>();

function splitsBySide({ lineOfDebit, lineOfCredit, takes }: CompiledLayout, resets: Uint8Array): boolean {
  for (let account = 0; account < lineOfDebit.length; account++) if (lineOfDebit[account] !== lineOfCredit[account] && resets[account] === 0) return true;
  return takes.some(({ sides, account }) => sides !== 3 && resets[account] === 0);
}

export function isMemoLine(line: Line | undefined): boolean {
  return line?.kind === 'accounts' && line.isMemo === true;
}

function groupByHost(lines: readonly Line[], indexOf: ReadonlyMap<string, number>): Map<number, number[]> {
  const within = new Map<number, number[]>();
  for (const [index, line] of lines.entries()) {
    const key = (line.kind === 'result' ? line.within?.key : undefined) ?? line.hiddenIn;
    const host = key === undefined ? undefined : indexOf.get(key);
    if (host !== undefined) within.set(host, [...(within.get(host) ?? []), index]);
  }
  return within;
}

/** A line's amount in its own figure: what it holds, and the lines shown in it; debit positive. */
export function shownAmount({ shownWithin }: CompiledLayout, amounts: BigInt64Array, index: number): bigint {
  const own = amounts[index] as bigint;
  const others = shownWithin.get(index);
  return others === undefined ? own : others.reduce((total, other) => total + (amounts[other] as bigint), own);
}
