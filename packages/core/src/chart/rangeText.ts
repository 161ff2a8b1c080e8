import { fail, type Outcome, succeed } from '../outcome.ts';
import type { DigitOrder } from './numberOrder.ts';
import { isUpsideDown, type NumberRange, type NumberRanges } from './numberRange.ts';

/** `at` and `length`: the characters of the text that are wrong. */
export interface RangeTextMalformed {
  readonly code: 'range_text_malformed';
  readonly at: number;
  readonly length: number;
  readonly reason: 'number_missing' | 'word_out_of_place' | 'upside_down' | 'star_not_at_end' | 'except_twice' | 'quote_left_open' | 'nothing_before_except';
}

interface Token {
  readonly at: number;
  readonly length: number;
  readonly text: string;
  readonly kind: 'word' | 'quoted' | 'comma' | 'keyword';
  /** Whether an asterisk ends it. */
  readonly hasStar: boolean;
}

const keywords: ReadonlySet<string> = new Set(['from', 'to', 'up', 'except']);

/**
 * Reads `1000 to 1999, 2105, 24* except 2450`: spans, single numbers, beginnings; `from 5000` and `up to 1999` are open at
 * one end, `*` holds every number. What follows `except` is left out of all before it. Quotes keep a number that has a
 * comma, an asterisk or one of the words in it. An empty text is no range at all. Without an `order` it is not judged
 * whether a span stands upside down: what was right once is read in any order.
 */
export function readRangeText(text: string, order: DigitOrder | null): Outcome<NumberRanges, RangeTextMalformed> {
  const tokens = tokensOf(text);
  if (!Array.isArray(tokens)) return fail(tokens);
  if (tokens.length === 0) return succeed({ include: [], except: [] });
  const excepts = tokens.flatMap((token, index) => (isWord(token, 'except') ? [index] : []));
  const [first, second] = excepts;
  if (second !== undefined) return fail(malformed(tokens[second] as Token, 'except_twice'));
  if (first === 0) return fail(malformed(tokens[0] as Token, 'nothing_before_except'));
  const include = listOf(first === undefined ? tokens : tokens.slice(0, first), order, text.length);
  if (!include.ok) return include;
  const except = first === undefined ? succeed([]) : listOf(tokens.slice(first + 1), order, text.length);
  return except.ok ? succeed({ include: include.value, except: except.value }) : except;
}

/** The text that reads back to the same ranges. */
export function writeRangeText({ include, except }: NumberRanges): string {
  const list = (ranges: readonly NumberRange[]) => ranges.map(writeRange).join(', ');
  return except.length === 0 ? list(include) : `${list(include)} except ${list(except)}`;
}

function writeRange(range: NumberRange): string {
  if (range.kind === 'begins') return `${range.with === '' ? '' : writeNumber(range.with)}*`;
  const { from, to } = range;
  if (from === null) return to === null ? '*' : `up to ${writeNumber(to)}`;
  if (to === null) return `from ${writeNumber(from)}`;
  return from === to ? writeNumber(from) : `${writeNumber(from)} to ${writeNumber(to)}`;
}

function writeNumber(number: string): string {
  const isPlain = /^[^\s,"*]+( [^\s,"*]+)*$/.test(number) && !number.split(' ').some((word) => keywords.has(word.toLowerCase()));
  return isPlain ? number : `"${number.replaceAll('"', '""')}"`;
}

function tokensOf(text: string): Token[] | RangeTextMalformed {
  const tokens: Token[] = [];
  for (let at = 0; at < text.length; ) {
    const character = text[at] as string;
    if (/\s/.test(character)) {
      at++;
    } else if (character === ',') {
      tokens.push({ at, length: 1, text: ',', kind: 'comma', hasStar: false });
      at++;
    } else if (character === '"') {
      const [whole, inner = '', star = ''] = /^"((?:[^"]|"")*)"(\*?)/.exec(text.slice(at)) ?? [];
      if (whole === undefined) return { code: 'range_text_malformed', at, length: text.length - at, reason: 'quote_left_open' };
      tokens.push({ at, length: whole.length, text: inner.replaceAll('""', '"'), kind: 'quoted', hasStar: star !== '' });
      at += whole.length;
    } else {
      const [whole] = /^[^\s,"]+/.exec(text.slice(at)) as RegExpExecArray;
      const hasStar = whole.endsWith('*');
      const token: Token = { at, length: whole.length, text: hasStar ? whole.slice(0, -1) : whole, kind: 'word', hasStar };
      if (token.text.includes('*')) return malformed(token, 'star_not_at_end');
      tokens.push(!hasStar && keywords.has(whole.toLowerCase()) ? { ...token, kind: 'keyword' } : token);
      at += whole.length;
    }
  }
  return tokens;
}

function listOf(tokens: readonly Token[], order: DigitOrder | null, end: number): Outcome<NumberRange[], RangeTextMalformed> {
  const ranges: NumberRange[] = [];
  let item: Token[] = [];
  for (const token of [...tokens, null]) {
    if (token && token.kind !== 'comma') {
      item.push(token);
      continue;
    }
    const range = rangeOf(item, order, token?.at ?? end);
    if (!range.ok) return range;
    ranges.push(range.value);
    item = [];
  }
  return succeed(ranges);
}

function rangeOf(item: readonly Token[], order: DigitOrder | null, end: number): Outcome<NumberRange, RangeTextMalformed> {
  const [first, second] = item;
  if (first && isWord(first, 'from')) return openSpan(item.slice(1), end, (from) => ({ kind: 'span', from, to: null }));
  if (first && second && isWord(first, 'up') && isWord(second, 'to')) return openSpan(item.slice(2), end, (to) => ({ kind: 'span', from: null, to }));
  const middle = item.findIndex((token) => isWord(token, 'to'));
  if (middle < 0) {
    const last = item.at(-1);
    const number = numberOf(item, end);
    if (!number.ok) return number;
    return succeed(last?.hasStar ? { kind: 'begins', with: number.value } : { kind: 'span', from: number.value, to: number.value });
  }
  const [from, to] = [endOf(item.slice(0, middle), item[middle]?.at ?? end), endOf(item.slice(middle + 1), end)];
  if (!from.ok) return from;
  if (!to.ok) return to;
  if (order === null || !isUpsideDown(from.value, to.value, order)) return succeed({ kind: 'span', from: from.value, to: to.value });
  const at = item[0]?.at ?? 0;
  const last = item.at(-1) as Token;
  return fail({ code: 'range_text_malformed', at, length: last.at + last.length - at, reason: 'upside_down' });
}

function openSpan(tokens: readonly Token[], end: number, made: (number: string) => NumberRange): Outcome<NumberRange, RangeTextMalformed> {
  const number = endOf(tokens, end);
  return number.ok ? succeed(made(number.value)) : number;
}

/** An end of a span is a whole number, without an asterisk. */
function endOf(tokens: readonly Token[], end: number): Outcome<string, RangeTextMalformed> {
  const star = tokens.find(({ hasStar }) => hasStar);
  return star ? fail(malformed(star, 'star_not_at_end')) : numberOf(tokens, end);
}

/** Words that stand beside each other are one number, as in `40 210 03`. */
function numberOf(tokens: readonly Token[], end: number): Outcome<string, RangeTextMalformed> {
  if (tokens.length === 0) return fail({ code: 'range_text_malformed', at: end, length: 0, reason: 'number_missing' });
  const wrong = tokens.find(({ kind }) => kind === 'keyword' || (kind === 'quoted' && tokens.length > 1));
  if (wrong) return fail(malformed(wrong, 'word_out_of_place'));
  const star = tokens.slice(0, -1).find(({ hasStar }) => hasStar);
  return star ? fail(malformed(star, 'star_not_at_end')) : succeed(tokens.map(({ text }) => text).join(' '));
}

function isWord({ kind, text }: Token, word: string): boolean {
  return kind === 'keyword' && text.toLowerCase() === word;
}

function malformed({ at, length }: Token, reason: RangeTextMalformed['reason']): RangeTextMalformed {
  return { code: 'range_text_malformed', at, length, reason };
}
