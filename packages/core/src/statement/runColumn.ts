import { type Day, daysIn, type Span } from '../calendar/day.ts';
import { evaluateFormula, type FormulaFault } from '../formula/evaluateFormula.ts';
import { type Fraction, fraction, roundFraction } from '../formula/fraction.ts';
import type { FormulaMalformed } from '../formula/readFormula.ts';
import { type CompiledLayout, type FixedTake, shownAmount } from '../layout/compileLayout.ts';
import { countsInGroup, type ResultLine } from '../layout/line.ts';
import { allotRounded } from '../money/allotRounded.ts';
import { divideHalfAwayFromZero } from '../money/round.ts';
import { fail, type Outcome, succeed } from '../outcome.ts';
import { isInDebit, partsBySide, type Sides } from './sides.ts';

/** One amount per account (debit positive), and what the result lines hold beside them. */
export interface ColumnInput {
  readonly net: BigInt64Array;
  /** Of all income and expense accounts, placed or not; debit positive. */
  readonly result: bigint;
  readonly notAllotted: bigint;
  /** Where lines take one side of accounts; left out where sides are those of the amounts themselves. */
  readonly sides?: Sides;
  /** One for each reading of the layout. */
  readonly readings?: readonly BigInt64Array[];
  /** What formulas reckon with. */
  readonly exponent?: number;
  /** Of the column: its days, and which fixed transfers are in it. */
  readonly span?: Span;
  /** In another currency: an amount of the company's, of a fixed transfer of a day. */
  readonly presented?: (net: bigint, day: Day) => bigint;
  /** Where balances began within the span: what balance sheet accounts had before, and what they moved, is not known. */
  readonly began?: BegunWithin;
}

/** `own`: what the column has of accounts; `resets`: 1 for income and expense. */
export interface BegunWithin {
  readonly day: Day;
  readonly own: 'opening' | 'closing' | 'movement';
  readonly resets: Uint8Array;
}

/** Net amounts (debit positive) by line of the compiled layout. */
export type LineAmounts = BigInt64Array;

/** Balances began on this day, within the span. */
export interface NothingBefore {
  readonly code: 'no_balances_before';
  readonly day: Day;
}

/** Why a line has no amount in a column. */
export type LineFault = NothingBefore | FormulaFault | FormulaMalformed | { readonly code: 'formula_cycle'; readonly path: readonly string[] };

/** One amount column's outcome: its account vectors and what its lines hold. */
export interface RunColumn extends ColumnInput {
  readonly amounts: LineAmounts;
  /** Of portions that a line takes the mean of. */
  readonly means: ReadonlyMap<CompiledLayout['takes'][number], bigint>;
  /** By line: what results in no amount, or has no value and why. */
  readonly reckoned: ReadonlyMap<number, Outcome<Fraction, LineFault>>;
}

const none: ReadonlyMap<number, Outcome<Fraction, LineFault>> = new Map();

/**
 * One pass over the accounts, one pass up the lines, then sums and calculations. A zero balance counts as the normal
 * side, and adds nothing. Cost: accounts + lines.
 */
export function runColumn(compiled: CompiledLayout, column: ColumnInput): RunColumn {
  const input = withoutTransfers(compiled, column);
  const { lines, parentAt, lineOfDebit, lineOfCredit } = compiled;
  const amounts = new BigInt64Array(lines.length);
  const { net, sides } = input;
  for (let account = 0; account < net.length; account++) {
    const amount = net[account] as bigint;
    const [debit, credit] = [lineOfDebit[account] as number, lineOfCredit[account] as number];
    if (debit !== credit && sides !== undefined) {
      const [inDebit, inCredit] = partsBySide(input, account);
      if (debit >= 0) amounts[debit] = (amounts[debit] as bigint) + inDebit;
      if (credit >= 0) amounts[credit] = (amounts[credit] as bigint) + inCredit;
      continue;
    }
    if (amount === 0n) continue;
    const line = amount > 0n ? debit : credit;
    if (line >= 0) amounts[line] = (amounts[line] as bigint) + amount;
  }
  const means = meansTaken(compiled, input);
  // Made once: a layout can take thousands of portions.
  const taken = means.size === 0 ? input : { ...input, means };
  for (const take of compiled.takes) {
    const amount = amountTaken(compiled, take, taken);
    if (amount !== 0n) amounts[take.line] = (amounts[take.line] as bigint) + amount;
  }
  for (const { line, net: amount } of fixedIn(compiled, input)) amounts[line] = (amounts[line] as bigint) + amount;
  for (const [index, line] of lines.entries()) if (line.kind === 'result') amounts[index] = resultOn(line, input);
  for (let index = lines.length - 1; index >= 0; index--) {
    const parent = parentAt[index] as number;
    if (parent >= 0 && countsInGroup(lines[index] as (typeof lines)[number])) amounts[parent] = (amounts[parent] as bigint) + (amounts[index] as bigint);
  }
  return { ...input, means, amounts, reckoned: reckon(compiled, amounts, input, unknownIn(compiled, input)) };
}

/** Lines that take what a balance sheet account had before balances began, or what it moved since then, and all that they count in. */
function unknownIn({ lines, parentAt, lineOfDebit, lineOfCredit, takes, readings, shownWithin }: CompiledLayout, { began }: ColumnInput): ReadonlySet<number> {
  const unknown = new Set<number>();
  if (!began) return unknown;
  const { own, resets } = began;
  for (let account = 0; own !== 'closing' && account < resets.length; account++)
    if (resets[account] === 0) for (const line of [lineOfDebit[account] as number, lineOfCredit[account] as number]) if (line >= 0) unknown.add(line);
  for (const { line, account, reading } of takes) {
    if (resets[account] !== 0) continue;
    const { measure, direction } = readings[reading] ?? { measure: 'column' as const };
    if (direction !== undefined || (measure === 'column' ? own : measure) !== 'closing') unknown.add(line);
  }
  for (let index = lines.length - 1; index >= 0; index--) {
    const parent = parentAt[index] as number;
    if (unknown.has(index) && parent >= 0 && countsInGroup(lines[index] as (typeof lines)[number])) unknown.add(parent);
  }
  for (const [host, within] of shownWithin) if (within.some((line) => unknown.has(line))) unknown.add(host);
  return unknown;
}

/** Of a cash flow: what was moved within equity is no flow. Over all accounts it comes to nothing, so that no proof depends on it. */
function withoutTransfers({ transfersAt }: CompiledLayout, input: ColumnInput): ColumnInput {
  const transfers = input.readings?.[transfersAt];
  return transfers?.some((amount) => amount !== 0n) ? { ...input, net: input.net.map((amount, at) => amount - (transfers[at] as bigint)) } : input;
}

/** The mean of each line that takes one is rounded once; its portions have their shares of it, by largest remainder. */
function meansTaken(compiled: CompiledLayout, input: ColumnInput): RunColumn['means'] {
  const ofLine = new Map<number, CompiledLayout['takes'][number][]>();
  for (const take of compiled.takes)
    if (compiled.readings[take.reading]?.measure === 'mean' && compiled.readings[take.reading]?.direction === undefined)
      ofLine.set(take.line, [...(ofLine.get(take.line) ?? []), take]);
  const means = new Map<CompiledLayout['takes'][number], bigint>();
  for (const takes of ofLine.values()) {
    const twice = takes.map((take) => amountTaken(compiled, take, input));
    const whole = divideHalfAwayFromZero(
      twice.reduce((sum, amount) => sum + amount, 0n),
      2n,
    );
    for (const [at, share] of allotRounded(whole, twice, 2n).entries()) means.set(takes[at] as (typeof takes)[number], share);
  }
  return means;
}

/** What a result line holds; a profit is a credit. */
export function resultOn({ of, only }: ResultLine, { result, notAllotted }: Pick<ColumnInput, 'result' | 'notAllotted'>): bigint {
  if (of === 'earlier_years') return notAllotted;
  return only === undefined || (only === 'loss') === result > 0n ? result : 0n;
}

/** What fixed transfers give lines in a column. */
export function fixedIn({ fixed }: CompiledLayout, { span, presented }: Pick<ColumnInput, 'span' | 'presented'>): readonly FixedTake[] {
  if (fixed.length === 0) return fixed;
  if (!span) throw new Error('a layout with fixed transfers is run with the span of the column');
  const within = fixed.filter(({ day }) => span.firstDay <= day && day <= span.lastDay);
  return presented ? within.map((one) => ({ ...one, net: presented(one.net, one.day) })) : within;
}

/**
 * Decided by the account as a whole: at the beginning for an opening amount; else, where a line takes facet values or a direction
 * of a movement, by the side that the account ends on.
 */
export function amountTaken(
  compiled: Pick<CompiledLayout, 'readings'>,
  take: CompiledLayout['takes'][number],
  input: Pick<ColumnInput, 'net' | 'sides' | 'readings'> & { readonly means?: RunColumn['means'] },
): bigint {
  const { account, sides, reading, factor } = take;
  const mean = input.means?.get(take);
  if (mean !== undefined) return mean;
  const amount = reading < 0 ? (input.net[account] as bigint) : (input.readings?.[reading]?.[account] ?? 0n);
  if (amount === 0n && reading >= 0) return 0n;
  if (sides === 3) return factor * amount;
  if (reading < 0) return factor * partsBySide(input, account)[sides === 1 ? 0 : 1];
  const isOpening = compiled.readings[reading]?.measure === 'opening';
  return isInDebit(input, account, isOpening) === (sides === 1) ? factor * amount : 0n;
}

function reckon(compiled: CompiledLayout, amounts: BigInt64Array, { exponent, span, began }: ColumnInput, unknown: ReadonlySet<number>): RunColumn['reckoned'] {
  const { lines, indexOf, derived, cycles, between } = compiled;
  if (derived.length === 0 && cycles.length === 0 && unknown.size === 0) return none;
  const reckoned = new Map<number, Outcome<Fraction, LineFault>>();
  if (began) for (const index of unknown) reckoned.set(index, fail({ code: 'no_balances_before', day: began.day }));
  for (const path of cycles) for (const key of path) failLine(key, { code: 'formula_cycle', path });
  function failLine(key: string, fault: LineFault): void {
    const index = indexOf.get(key);
    if (index !== undefined && (lines[index]?.kind === 'sum' || lines[index]?.kind === 'calculation')) reckoned.set(index, fail(fault));
  }
  const isReckoned = new Set(derived);
  for (const [index, line] of lines.entries())
    if ((line.kind === 'sum' || line.kind === 'calculation') && !isReckoned.has(index) && !reckoned.has(index))
      reckoned.set(index, fail({ code: 'operand_missing', key: cycles[0]?.[0] ?? '', at: 0, length: 0 }));
  const unit = 10n ** BigInt(exponent ?? 0);
  for (const index of derived) {
    const line = lines[index] as (typeof lines)[number];
    if (line.kind === 'sum') {
      let total = 0n;
      let missing: Outcome<Fraction, LineFault> | null = null;
      for (const { key, sign } of line.terms) {
        const at = indexOf.get(key) as number;
        const result = reckoned.get(at);
        if (result)
          missing = !result.ok && result.failure.code === 'no_balances_before' ? result : (missing ?? fail({ code: 'operand_missing', key, at: 0, length: 0 }));
        total += BigInt(sign) * shownAmount(compiled, amounts, at);
      }
      if (missing) reckoned.set(index, missing);
      else amounts[index] = total;
      continue;
    }
    if (line.kind !== 'calculation') continue;
    if ('code' in line.formula) {
      reckoned.set(index, fail(line.formula));
      continue;
    }
    if (exponent === undefined || span === undefined) throw new Error('a layout with calculations is run with exponent and span');
    const value = evaluateFormula(line.formula, {
      days: daysIn(span),
      between,
      amountOf: (key) => {
        const at = indexOf.get(key);
        const named = at === undefined ? undefined : lines[at];
        if (at === undefined || !named || named.kind === 'text' || named.kind === 'space') return null;
        const result = reckoned.get(at);
        if (result) return result.ok ? result.value : null;
        const own = shownAmount(compiled, amounts, at);
        return fraction(named.side === 'debit' ? own : -own, unit);
      },
    });
    if (!value.ok || line.result !== 'amount') reckoned.set(index, value.ok ? succeed(value.value) : value);
    else {
      const rounded = roundFraction(value.value, exponent);
      if (rounded >= 2n ** 63n || rounded <= -(2n ** 63n)) reckoned.set(index, fail({ code: 'amount_too_large', at: 0, length: 0 }));
      else amounts[index] = line.side === 'debit' ? rounded : -rounded;
    }
  }
  return reckoned;
}

/** Profit (credit) or loss of all income and expense accounts, placed or not; debit positive. */
export function resultOf(net: BigInt64Array, resets: Uint8Array): bigint {
  let result = 0n;
  for (let account = 0; account < net.length; account++) if (resets[account] === 1) result += net[account] as bigint;
  return result;
}
