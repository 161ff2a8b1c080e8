import { beginningText, type DigitOrder, orderText } from './numberOrder.ts';

/** Account numbers between two ends, both held, either open; or all that begin with some characters. */
export type NumberRange =
  | { readonly kind: 'span'; readonly from: string | null; readonly to: string | null }
  | { readonly kind: 'begins'; readonly with: string };

/** What any of `include` holds and none of `except` does. */
export interface NumberRanges {
  readonly include: readonly NumberRange[];
  readonly except: readonly NumberRange[];
}

/** A number as ranges compare it, made once for all of them; an empty number is in no range. */
export interface NumberKey {
  readonly text: string;
  readonly plain: string;
}

export function numberKey(number: string, order: DigitOrder): NumberKey {
  return { text: orderText(number, order), plain: number.toLowerCase() };
}

/**
 * Whether ranges hold a number. The upper end of a span holds every number that begins with it, part by part or digit
 * by digit as the order says: 101 to 120 holds 120.6. Cost: one comparison of texts a range.
 */
export function rangeTest({ include, except }: NumberRanges, order: DigitOrder): (key: NumberKey) => boolean {
  const [within, without] = [include.map((range) => testOf(range, order)), except.map((range) => testOf(range, order))];
  return (key) => key.plain !== '' && within.some((holds) => holds(key)) && !without.some((holds) => holds(key));
}

/** Whether the upper end stands before the lower one, so that the span can hold nothing. */
export function isUpsideDown(from: string, to: string, order: DigitOrder): boolean {
  const lower = orderText(from, order);
  return lower > orderText(to, order) && !lower.startsWith(beginningText(to, order));
}

function testOf(range: NumberRange, order: DigitOrder): (key: NumberKey) => boolean {
  if (range.kind === 'begins') {
    const beginning = range.with.toLowerCase();
    return ({ plain }) => plain.startsWith(beginning);
  }
  const from = range.from === null ? '' : orderText(range.from, order);
  if (range.to === null) return ({ text }) => text >= from;
  const [to, beginning] = [orderText(range.to, order), beginningText(range.to, order)];
  return ({ text }) => text >= from && (text <= to || text.startsWith(beginning));
}
