import { type DigitOrder, type NumberRanges, type Outcome, type RangeTextMalformed, readRangeText, writeRangeText } from '@ivory-ladder/core';

/** The numbers of a chart. */
export interface ChartNumbers {
  has(number: string): boolean;
  /** Whether some have a dash of their own, so that one says nothing of a span. */
  readonly haveDashes: boolean;
}

const dash = /[-–—]/;
const dashed = /^([^-–—]+?)\s*[-–—]\s*([^-–—]+)$/;

export function chartNumbers(all: Iterable<string>): ChartNumbers {
  const numbers = new Set(all);
  return { has: (number) => numbers.has(number), haveDashes: [...numbers].some((number) => dash.test(number)) };
}

/**
 * A range as people write it: `1000-1099` is the span between the two where no number of the chart has a dash. Gives the ranges with the text that is kept, which is what was written where no dash stood for a span.
 */
export function readTypedRange(
  text: string,
  numbers: ChartNumbers,
  order: DigitOrder,
): Outcome<{ readonly ranges: NumberRanges; readonly text: string }, RangeTextMalformed> {
  const read = readRangeText(text, order);
  if (!read.ok) return read;
  let isDashed = false;
  const spansOf = (ranges: NumberRanges['include']) =>
    ranges.map((range) => {
      if (range.kind !== 'span' || range.from !== range.to || range.from === null || numbers.haveDashes) return range;
      const [, from, to] = dashed.exec(range.from) ?? [];
      const span = from && to ? readRangeText(writeRangeText({ include: [{ kind: 'span', from, to }], except: [] }), order) : null;
      const [first] = span?.ok ? span.value.include : [];
      if (!first) return range;
      isDashed = true;
      return first;
    });
  const ranges = { include: spansOf(read.value.include), except: spansOf(read.value.except) };
  return { ok: true, value: { ranges, text: isDashed ? writeRangeText(ranges) : text.trim() } };
}

/** Numbers that stand alone in a range and that no account has: misspelt, or of accounts still to be made. */
export function numbersUnknown({ include, except }: NumberRanges, numbers: ChartNumbers): string[] {
  return [...include, ...except].flatMap((range) =>
    range.kind === 'span' && range.from !== null && range.from === range.to && !numbers.has(range.from) ? [range.from] : [],
  );
}
