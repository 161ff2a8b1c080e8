import type { DigitOrder } from '../chart/numberOrder.ts';
import { isUpsideDown, type NumberKey, type NumberRange, type NumberRanges, numberKey, rangeTest } from '../chart/numberRange.ts';
import { readRangeText, writeRangeText } from '../chart/rangeText.ts';
import type { PlaceSide } from './place.ts';
import type { RangeTextOfSide } from './placement.ts';

/** Ranges that take what either takes, side by side; `null` where an exception of one would leave out what the other takes. */
export function rangesJoined(a: readonly RangeTextOfSide[], b: readonly RangeTextOfSide[], order: DigitOrder): RangeTextOfSide[] | null {
  const joined: RangeTextOfSide[] = [];
  for (const side of ['any', 'debit', 'credit'] as const) {
    const [one, two] = [rangesFor(a, side), rangesFor(b, side)];
    if (mayMeet(one.except, two.include, order) || mayMeet(two.except, one.include, order)) return null;
    const ranges = { include: [...one.include, ...two.include], except: [...one.except, ...two.except] };
    if (ranges.include.length > 0) joined.push({ side, text: writeRangeText(ranges) });
  }
  return joined;
}

/** The ranges with another end of one of their spans, counted before `except`; `null` where that would stand upside down. */
export function rangesMoved(
  texts: readonly RangeTextOfSide[],
  side: PlaceSide,
  part: number,
  end: 'first' | 'last',
  number: string,
  order: DigitOrder,
): RangeTextOfSide[] | null {
  const { include, except } = rangesFor(texts, side);
  const span = include[part];
  if (span?.kind !== 'span') return null;
  const [from, to] = end === 'first' ? [number, span.to] : [span.from, number];
  if (from !== null && to !== null && isUpsideDown(from, to, order)) return null;
  const moved = include.with(part, { kind: 'span', from, to });
  return texts.map((one) => (one.side === side ? { side, text: writeRangeText({ include: moved, except }) } : one));
}

/** Ranges in the one form of their text, empty ones left out; a text that cannot be read stays as it is. */
export function rangesRewritten(texts: readonly RangeTextOfSide[], order: DigitOrder): RangeTextOfSide[] {
  return texts.flatMap(({ side, text }) => {
    const read = readRangeText(text, order);
    if (!read.ok) return [{ side, text }];
    return read.value.include.length > 0 ? [{ side, text: writeRangeText(read.value) }] : [];
  });
}

function rangesFor(texts: readonly RangeTextOfSide[], side: PlaceSide): NumberRanges {
  const read = readRangeText(texts.find((one) => one.side === side)?.text ?? '', null);
  return read.ok ? read.value : { include: [], except: [] };
}

/** Whether some number could be in both lists: an end of one lies within the other. */
function mayMeet(some: readonly NumberRange[], others: readonly NumberRange[], order: DigitOrder): boolean {
  const holds = (ranges: readonly NumberRange[], number: string) => rangeTest({ include: ranges, except: [] }, order)(numberKey(number, order));
  const ends = (range: NumberRange): string[] => (range.kind === 'begins' ? [range.with] : [range.from, range.to].filter((end) => end !== null));
  const isOpen = (range: NumberRange) => (range.kind === 'begins' ? range.with === '' : range.from === null && range.to === null);
  return (
    (some.length > 0 && others.some(isOpen)) ||
    (others.length > 0 && some.some(isOpen)) ||
    some.flatMap(ends).some((end) => holds(others, end)) ||
    others.flatMap(ends).some((end) => holds(some, end))
  );
}

/** The range of a category with numbers more, or with numbers left out of it, for one side. What was left out by its number alone comes in again when it is added. */
export function rangesWith(
  texts: readonly RangeTextOfSide[],
  side: PlaceSide,
  change: { readonly add?: readonly NumberRange[]; readonly leaveOut?: readonly string[] },
): RangeTextOfSide[] {
  const { include, except } = rangesFor(texts, side);
  const { add = [], leaveOut = [] } = change;
  const isOneOf = (numbers: readonly string[]) => (range: NumberRange) =>
    range.kind === 'span' && range.from === range.to && numbers.includes(range.from ?? '');
  const added = add.flatMap((range) => (range.kind === 'span' && range.from !== null && range.from === range.to ? [range.from] : []));
  const kept = include.filter((range) => !isOneOf(leaveOut)(range));
  // A number that stood there by itself is taken out; one that other ranges may hold is left out by name.
  const mayHold = (number: string) => kept.some((range) => !(range.kind === 'span' && range.from === range.to && !number.startsWith(range.from ?? '')));
  const ranges = {
    include: [...kept, ...add],
    except: [...except.filter((range) => !isOneOf(added)(range)), ...leaveOut.filter(mayHold).map(single)],
  };
  return [...texts.filter((one) => one.side !== side), ...(ranges.include.length > 0 ? [{ side, text: writeRangeText(ranges) }] : [])];
}

/**
 * Ranges that hold all of `numbers` and none of `others`: numbers with none of the others between them make one span, and what a span would
 * hold of the others by its upper end is left out by name. `null` where what is left out would take one of the numbers along, since it
 * begins with it. Cost: sorting.
 */
export function rangesHolding(numbers: readonly string[], others: readonly string[], order: DigitOrder): NumberRanges | null {
  const wanted = new Set(numbers);
  const sorted = [...wanted, ...others.filter((number) => !wanted.has(number))]
    .map((number) => ({ number, key: numberKey(number, order) }))
    .sort((a, b) => (a.key.text < b.key.text ? -1 : a.key.text > b.key.text ? 1 : 0));
  const include: NumberRange[] = [];
  const except: NumberRange[] = [];
  for (let at = 0; at < sorted.length; at++) {
    const from = sorted[at]?.number as string;
    if (!wanted.has(from)) continue;
    while (wanted.has(sorted[at + 1]?.number ?? '')) at++;
    const span: NumberRange = { kind: 'span', from, to: sorted[at]?.number as string };
    const holds = rangeTest({ include: [span], except: [] }, order);
    include.push(span);
    for (let next = at + 1; next < sorted.length && holds(sorted[next]?.key as NumberKey); next++)
      if (!wanted.has(sorted[next]?.number as string)) except.push(single(sorted[next]?.number as string));
  }
  const holds = rangeTest({ include, except }, order);
  return numbers.every((number) => holds(numberKey(number, order))) ? { include, except } : null;
}

function single(number: string): NumberRange {
  return { kind: 'span', from: number, to: number };
}
