import { type DigitOrder, type NumberRanges, type Outcome, type RangeTextMalformed, readRangeText, writeRangeText } from '@ivory-ladder/core';

const dashed = /^(\S+?)\s*[-–—]\s*(\S+)$/;

/**
 * A range as people write it: `1000-1099` is the span between the two, unless some account has that very number or the two
 * are no span. Gives the ranges with the text that is kept, which is what was written where no dash stood for a span.
 */
export function readTypedRange(
  text: string,
  hasNumber: (number: string) => boolean,
  order: DigitOrder,
): Outcome<{ readonly ranges: NumberRanges; readonly text: string }, RangeTextMalformed> {
  const read = readRangeText(text, order);
  if (!read.ok) return read;
  let isDashed = false;
  const spansOf = (ranges: NumberRanges['include']) =>
    ranges.map((range) => {
      if (range.kind !== 'span' || range.from !== range.to || range.from === null || hasNumber(range.from)) return range;
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
export function numbersUnknown({ include, except }: NumberRanges, hasNumber: (number: string) => boolean): string[] {
  return [...include, ...except].flatMap((range) =>
    range.kind === 'span' && range.from !== null && range.from === range.to && !hasNumber(range.from) ? [range.from] : [],
  );
}
