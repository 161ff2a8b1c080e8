import { type DigitOrder, sortByNumber } from './numberOrder.ts';

/** The run of digits that ends a number, and what stands before it: `40-210-03` → `40-210-` and `03`. */
const lastDigits = /^(.*?)(\d+)$/;

/**
 * The next free number beside its siblings: behind the last of them, with the gap that they keep most often. Without
 * siblings it begins below the parent's number, whose last zeros say how much room it leaves. `null` where no number
 * ends in digits or the digits are used up; then the user chooses.
 */
export function proposeNumber(siblings: readonly string[], parent: string | null, taken: ReadonlySet<string>, order: DigitOrder): string | null {
  const sorted = sortByNumber(
    siblings.map((number) => ({ number })),
    order,
  ).map(({ number }) => number);
  const from = sorted.findLast((number) => lastDigits.test(number)) ?? parent;
  const [, stem, digits] = lastDigits.exec(from ?? '') ?? [];
  if (stem === undefined || digits === undefined) return null;
  const step = sorted.length > 0 ? usualGap(sorted, stem, digits) : roomOf(digits);
  const used = new Set([...taken].map((number) => number.toLowerCase()));
  for (let next = Number(digits) + step; String(next).length <= digits.length; next += step) {
    const number = `${stem}${String(next).padStart(digits.length, '0')}`;
    if (!used.has(number.toLowerCase())) return number;
  }
  return null;
}

/**
 * A free number behind one account and before the next: in the middle where there is room, so that both gaps stay
 * open. Where none follows, the gap from the one before is kept. `null` where the number ends in no digits.
 */
export function proposeNumberBeside(
  number: string,
  { previous, next }: { previous: string | null; next: string | null },
  taken: ReadonlySet<string>,
): string | null {
  const [, stem, digits] = lastDigits.exec(number) ?? [];
  if (stem === undefined || digits === undefined) return null;
  const used = new Set([...taken].map((other) => other.toLowerCase()));
  const numberIn = (other: string | null): number | null => {
    const [, otherStem, otherDigits] = lastDigits.exec(other ?? '') ?? [];
    return otherStem === stem && otherDigits?.length === digits.length ? Number(otherDigits) : null;
  };
  const from = Number(digits);
  const before = numberIn(previous);
  const gap = before !== null && before < from ? from - before : roomOf(digits);
  const to = numberIn(next) ?? from + 2 * gap;
  const middle = from + Math.floor((to - from) / 2);
  // Near the end of the digits the steps become smaller, so that there is a number as long as there is any.
  const smaller: number[] = [];
  for (let step = Math.floor(gap / 10); step >= 1; step = Math.floor(step / 10)) if (from + step < to) smaller.push(from + step);
  const candidates = [middle, ...smaller, ...Array.from({ length: Math.max(0, Math.min(to - from - 1, 1000)) }, (_, at) => from + 1 + at)];
  for (const candidate of candidates) {
    const proposed = `${stem}${String(candidate).padStart(digits.length, '0')}`;
    if (candidate > from && String(candidate).length <= digits.length && !used.has(proposed.toLowerCase())) return proposed;
  }
  return proposeNumber([number], null, taken, 'by_value');
}

/** The gap most often kept between neighbours of the same form; the smaller one where two are kept as often. */
function usualGap(sorted: readonly string[], stem: string, digits: string): number {
  const values = sorted.flatMap((number) => {
    const [, ownStem, own] = lastDigits.exec(number) ?? [];
    return ownStem === stem && own !== undefined && own.length === digits.length ? [Number(own)] : [];
  });
  const counts = new Map<number, number>();
  for (let at = 1; at < values.length; at++) {
    const gap = (values[at] as number) - (values[at - 1] as number);
    if (gap > 0) counts.set(gap, (counts.get(gap) ?? 0) + 1);
  }
  const [best] = [...counts].sort(([gapA, a], [gapB, b]) => b - a || gapA - gapB);
  return best ? best[0] : roomOf(digits);
}

/** 6200 leaves room for 6210, 6220; 6210 for 6211, 6212. */
function roomOf(digits: string): number {
  const zeros = /0*$/.exec(digits)?.[0].length ?? 0;
  return 10 ** Math.max(0, Math.min(zeros, digits.length - 1) - 1);
}
