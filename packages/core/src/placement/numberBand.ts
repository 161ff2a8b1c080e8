import { type DigitOrder, orderText } from '../chart/numberOrder.ts';
import { type NumberRange, numberKey, rangeTest } from '../chart/numberRange.ts';
import { readRangeText } from '../chart/rangeText.ts';
import { type CategoryTree, isWithin } from './categoryTree.ts';
import type { PlaceSide } from './place.ts';
import type { DescribedCategory } from './placement.ts';

/** A stretch of numbers that one part of a category's ranges holds; places on the band are fractions of its length. */
export interface BandSpan {
  readonly categoryId: number;
  readonly side: PlaceSide;
  readonly first: string;
  readonly last: string;
  readonly from: number;
  readonly to: number;
  /** Spans in one lane do not touch; those of subcategories lie below. */
  readonly lane: number;
  /** Where it begins and ends by an end of the text's own, which can be moved; the place in the list of spans before `except`. */
  readonly part: number;
  readonly hasFirst: boolean;
  readonly hasLast: boolean;
  /** Unrelated categories that hold some of the same numbers. */
  readonly alsoIn: readonly number[];
}

export interface NumberBand {
  readonly spans: readonly BandSpan[];
  readonly lanes: number;
  /** Where a number stands; numbers outside the band at its ends. */
  at(number: string): number;
  /** The number at a place, as a lower or an upper end: whole steps, or the nearest number there is. */
  numberAt(place: number, end: 'first' | 'last'): string;
  /** A number some steps away; an end that is not on the band comes inward to the first number there, and stays else. */
  moved(number: string, steps: number, end: 'first' | 'last'): string;
  readonly marks: readonly { readonly at: number; readonly number: string }[];
}

interface Scale extends Pick<NumberBand, 'at' | 'numberAt' | 'moved' | 'marks'> {
  /** By half a place between two numbers, where a span begins and ends. */
  readonly half: number;
}

const steps = [1, 10, 100, 1000, 10_000, 100_000, 1_000_000] as const;
const marksShown = 10;

/**
 * The numbers of a part of the chart as a strip, with the ranges of categories as spans on it. Numbers of as many digits lie as far apart
 * as they are; others one beside the other. `numbers`: those of the accounts to be shown, at least one. Cost: (numbers + ends) × ranges.
 */
export function numberBand(numbers: readonly string[], categories: readonly DescribedCategory[], tree: CategoryTree, order: DigitOrder): NumberBand {
  const parts = categories.flatMap(({ id, ranges }) =>
    ranges.flatMap(({ side, text }) => {
      const read = readRangeText(text, null);
      return read.ok ? read.value.include.map((range, part) => ({ categoryId: id, side, range, part, except: read.value.except })) : [];
    }),
  );
  const keys = new Map<string, string>();
  const textOf = (number: string): string => {
    const key = keys.get(number) ?? orderText(number, order);
    keys.set(number, key);
    return key;
  };
  const inOrder = (a: string, b: string): number => (textOf(a) < textOf(b) ? -1 : textOf(a) > textOf(b) ? 1 : 0);
  const [least, most] = [[...numbers].sort(inOrder)[0] as string, [...numbers].sort(inOrder).at(-1) as string];
  const linear = linearEnds(numbers);
  const isShown = (number: string): boolean =>
    linear
      ? number.length === linear.digits && /^\d+$/.test(number) && Number(number) >= linear.least && Number(number) <= linear.most
      : inOrder(number, least) >= 0 && inOrder(number, most) <= 0;
  const ends = parts.flatMap(({ range, except }) => [range, ...except].flatMap(endsOf)).filter(isShown);
  const edges = linear ? [String(linear.least).padStart(linear.digits, '0'), String(linear.most).padStart(linear.digits, '0')] : [];
  const points = [...new Set([...numbers, ...ends, ...edges])].sort(inOrder);
  const onScale = new Set(points);
  const keyed = points.map((number) => numberKey(number, order));
  const scale = linear ? linearScale(linear) : rankScale(points);
  const spans: (Omit<BandSpan, 'lane' | 'alsoIn'> & { readonly held: ReadonlySet<number> })[] = [];
  for (const { categoryId, side, range, part, except } of parts) {
    const held = keyed.map(rangeTest({ include: [range], except }, order));
    const ends = endsAside(range, onScale, except.length === 0 ? held : keyed.map(rangeTest({ include: [range], except: [] }, order)));
    for (let at = 0; at < points.length; at++) {
      if (!held[at]) continue;
      const begin = at;
      while (held[at + 1]) at++;
      // An end that is neither a number shown nor between two of them has its place at the outermost number that its range holds, and its handle there.
      const [aside, beyond] = [begin === ends.firstPoint ? ends.first : null, at === ends.lastPoint ? ends.last : null];
      const [first, last] = [aside ?? (points[begin] as string), beyond ?? (points[at] as string)];
      spans.push({
        categoryId,
        side,
        part,
        first,
        last,
        from: aside !== null && begin === 0 ? 0 : Math.max(0, scale.at(points[begin] as string) - scale.half),
        to: beyond !== null && at === points.length - 1 ? 1 : Math.min(1, scale.at(points[at] as string) + scale.half),
        hasFirst: range.kind === 'span' && range.from === first,
        hasLast: range.kind === 'span' && range.to === last,
        held: new Set(Array.from({ length: at - begin + 1 }, (_, index) => begin + index)),
      });
    }
  }
  const related = (a: number, b: number): boolean => a === b || isWithin(tree, a, b) || isWithin(tree, b, a);
  const laned: BandSpan[] = [];
  for (const span of [...spans].sort((a, b) => depthIn(tree, a.categoryId) - depthIn(tree, b.categoryId) || a.from - b.from || b.to - a.to)) {
    let lane = depthIn(tree, span.categoryId);
    while (laned.some((other) => other.lane === lane && other.from < span.to && span.from < other.to)) lane++;
    const alsoIn = spans
      .filter((other) => other.side === span.side && !related(other.categoryId, span.categoryId) && [...other.held].some((point) => span.held.has(point)))
      .map(({ categoryId }) => categoryId);
    const { held: _, ...shown } = span;
    laned.push({ ...shown, lane, alsoIn: [...new Set(alsoIn)] });
  }
  const lanes = [...new Set(laned.map(({ lane }) => lane))].sort((a, b) => a - b);
  const moved: NumberBand['moved'] = (number, by, end) => {
    const isThere = onScale.has(number) || (linear !== null && number.length === linear.digits && isShown(number));
    if (isThere) return scale.moved(number, by, end);
    const inward = end === 'first' ? points.find((point) => inOrder(point, number) > 0) : points.findLast((point) => inOrder(point, number) < 0);
    const isInward = end === 'first' ? by > 0 : by < 0;
    return isInward && inward !== undefined ? inward : number;
  };
  return { ...scale, moved, spans: laned.map((span) => ({ ...span, lane: lanes.indexOf(span.lane) })), lanes: lanes.length };
}

function depthIn(tree: CategoryTree, categoryId: number): number {
  return tree.nodes.get(categoryId)?.depth ?? 0;
}

/** Of a span the ends that are no points of the band, and the outermost points that it holds, exceptions aside. `held`: of each point, whether the span holds it. */
function endsAside(
  range: NumberRange,
  points: ReadonlySet<string>,
  held: readonly boolean[],
): { readonly first: string | null; readonly last: string | null; readonly firstPoint: number; readonly lastPoint: number } {
  if (range.kind === 'begins') return { first: null, last: null, firstPoint: -1, lastPoint: -1 };
  return {
    first: range.from === null || points.has(range.from) ? null : range.from,
    last: range.to === null || points.has(range.to) ? null : range.to,
    firstPoint: held.indexOf(true),
    lastPoint: held.lastIndexOf(true),
  };
}

function endsOf(range: NumberRange): string[] {
  return range.kind === 'begins' ? [] : [range.from, range.to].filter((end) => end !== null);
}

interface LinearEnds {
  readonly digits: number;
  readonly least: number;
  readonly most: number;
  readonly step: number;
}

/** Of numbers that are all of as many digits: from whole steps to whole steps; `null` for others. */
function linearEnds(numbers: readonly string[]): LinearEnds | null {
  const digits = numbers[0]?.length ?? 0;
  if (digits > 9 || !numbers.every((number) => number.length === digits && /^\d+$/.test(number))) return null;
  const values = numbers.map(Number);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const step = steps.findLast((one) => one * 50 <= most - least) ?? 1;
  const wide = step * 10;
  return { digits, step, least: Math.floor(least / wide) * wide, most: Math.min(10 ** digits - 1, Math.ceil((most + 1) / wide) * wide - 1) };
}

function linearScale({ digits, least, most, step }: LinearEnds): Scale {
  const length = most - least + 1;
  const written = (value: number): string => String(Math.min(10 ** digits - 1, Math.max(0, value))).padStart(digits, '0');
  const onStep = (value: number, end: 'first' | 'last'): number =>
    end === 'first' ? Math.round(value / step) * step : Math.round((value + 1) / step) * step - 1;
  const between = Math.max(step, Math.ceil(length / marksShown / (step * 10)) * step * 10);
  return {
    half: 0.5 / length,
    at: (number) => Math.min(1, Math.max(0, (Number(number) - least + 0.5) / length)),
    numberAt: (place, end) => written(onStep(least + place * length, end)),
    moved: (number, by, end) => written(onStep(Number(number), end) + by * step),
    marks: Array.from({ length: Math.floor(length / between) + 1 }, (_, index) => ({
      at: (index * between) / length,
      number: written(least + index * between),
    })),
  };
}

/** One number beside the other, in their order. */
function rankScale(points: readonly string[]): Scale {
  const placeOf = new Map(points.map((number, index) => [number, index]));
  const nearest = (place: number): string => points[Math.min(points.length - 1, Math.max(0, Math.round(place * points.length - 0.5)))] as string;
  const every = Math.max(1, Math.ceil(points.length / marksShown));
  return {
    half: 0.5 / points.length,
    at: (number) => ((placeOf.get(number) ?? 0) + 0.5) / points.length,
    numberAt: nearest,
    moved: (number, by) => points[Math.min(points.length - 1, Math.max(0, (placeOf.get(number) ?? 0) + by))] as string,
    marks: points.flatMap((number, index) => (index % every === 0 ? [{ at: (index + 0.5) / points.length, number }] : [])),
  };
}
