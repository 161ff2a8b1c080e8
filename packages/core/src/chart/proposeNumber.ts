import { type DigitOrder, sortByNumber } from './numberOrder.ts';

/** The run of digits that ends a number, as far as it can be counted with, and what stands before it: `40-210-03` → `40-210-` and `03`. */
const lastDigits = /^(.*?)(\d{1,15})$/;

/**
 * The next free number beside its siblings: behind the last of them, with the gap that they keep most often. Without
 * siblings it begins below the parent's number, whose last zeros say how much room it leaves. It stays in that room
 * while a number is free there. `null` where no number ends in digits or none of this form is free.
 */
export function proposeNumber(siblings: readonly string[], parent: string | null, taken: ReadonlySet<string>, order: DigitOrder): string | null {
  const sorted = sortByNumber(
    siblings.map((number) => ({ number })),
    order,
  ).map(({ number }) => number);
  const from = partsOf(sorted.findLast((number) => lastDigits.test(number)) ?? parent);
  if (!from) return null;
  const gap = sorted.length > 0 ? usualGap(sorted, from) : roomOf(from.digits);
  return firstFree(from, behind(from, gap, blockBelow(partsOf(parent), from)), taken);
}

/**
 * A free number behind one account and before the next: in the middle where there is room, so that both gaps stay
 * open. Where none follows, the gap from the one before is kept. `null` as for `proposeNumber`.
 */
export function proposeNumberBeside(
  number: string,
  { previous, next }: { previous: string | null; next: string | null },
  taken: ReadonlySet<string>,
): string | null {
  const from = partsOf(number);
  if (!from) return null;
  const [before, to] = [valueBeside(previous, from), valueBeside(next, from)];
  const gap = before !== null && before < from.value ? from.value - before : roomOf(from.digits);
  const between = to !== null && to > from.value ? firstFree(from, upTo(from, gap, to), taken) : null;
  return between ?? firstFree(from, behind(from, gap, leadingBlock(from)), taken);
}

interface NumberParts {
  readonly stem: string;
  readonly digits: string;
  readonly value: number;
}

/** Values from `low` up to, without, `high`. */
interface Block {
  readonly low: number;
  readonly high: number;
}

function partsOf(number: string | null): NumberParts | null {
  const [, stem, digits] = lastDigits.exec(number ?? '') ?? [];
  return stem === undefined || digits === undefined ? null : { stem, digits, value: Number(digits) };
}

function valueBeside(number: string | null, { stem, digits }: NumberParts): number | null {
  const parts = partsOf(number);
  return parts && parts.stem === stem && parts.digits.length === digits.length ? parts.value : null;
}

/** The numbers that a parent's last zeros leave to its sub-accounts: 6200 to 6299. */
function blockBelow(parent: NumberParts | null, from: NumberParts): Block {
  const zeros = /0*$/.exec(parent?.digits ?? '')?.[0].length ?? 0;
  if (!parent || parent.stem !== from.stem || parent.digits.length !== from.digits.length || zeros === 0) return leadingBlock(from);
  const high = parent.value + 10 ** zeros;
  return parent.value <= from.value && from.value < high ? { low: parent.value, high } : leadingBlock(from);
}

/** The numbers with the same first digit, which in most charts is a class of accounts; all of them where something else stands before. */
function leadingBlock({ stem, digits, value }: NumberParts): Block {
  const unit = 10 ** (digits.length - 1);
  if (stem !== '' || digits.length === 1 || value < unit) return { low: 0, high: unit * 10 };
  const low = Math.floor(value / unit) * unit;
  return { low, high: low + unit };
}

/** Behind a number in its block, in ever smaller steps; then before it, round ones first, so that others find room behind them; then behind the block. */
function* behind(from: NumberParts, gap: number, block: Block): Generator<number> {
  yield* upward(from, gap, block.high);
  const size = block.high - block.low;
  for (const step of steps(10 ** (String(size).length - 2))) {
    for (let value = Math.ceil(from.value / step - 1) * step; value > block.low; value -= step) yield value;
  }
  for (let value = block.high; value < 10 ** from.digits.length; value += gap) yield value;
}

/** Up to the next account: the middle first. */
function* upTo(from: NumberParts, gap: number, next: number): Generator<number> {
  const middle = from.value + Math.floor((next - from.value) / 2);
  if (middle > from.value) yield middle;
  yield* upward(from, gap, next);
}

function* upward(from: NumberParts, gap: number, high: number): Generator<number> {
  for (const step of steps(gap)) for (let value = from.value + step; value < high; value += step) yield value;
}

function steps(gap: number): number[] {
  const found: number[] = [];
  for (let step = gap; step >= 1; step = Math.floor(step / 10)) found.push(step);
  return found.at(-1) === 1 ? found : [...found, 1];
}

/** Lazily: between two free numbers there are never more values than numbers taken. */
function firstFree({ stem, digits }: NumberParts, values: Iterable<number>, taken: ReadonlySet<string>): string | null {
  const used = new Set([...taken].map((number) => number.toLowerCase()));
  for (const value of values) {
    const number = `${stem}${String(value).padStart(digits.length, '0')}`;
    if (!used.has(number.toLowerCase())) return number;
  }
  return null;
}

/** The gap most often kept between neighbours of the same form; the smaller one where two are kept as often. */
function usualGap(sorted: readonly string[], from: NumberParts): number {
  const values = sorted.map((number) => valueBeside(number, from)).filter((value) => value !== null);
  const counts = new Map<number, number>();
  for (let at = 1; at < values.length; at++) {
    const gap = (values[at] as number) - (values[at - 1] as number);
    if (gap > 0) counts.set(gap, (counts.get(gap) ?? 0) + 1);
  }
  const [best] = [...counts].sort(([gapA, a], [gapB, b]) => b - a || gapA - gapB);
  return best ? best[0] : roomOf(from.digits);
}

/** 6200 leaves room for 6210, 6220; 6210 for 6211, 6212. */
function roomOf(digits: string): number {
  const zeros = /0*$/.exec(digits)?.[0].length ?? 0;
  return 10 ** Math.max(0, Math.min(zeros, digits.length - 1) - 1);
}
