import { type DigitOrder, numberKey, rangeTest } from '@ivory-ladder/core';
import { type ChartNumbers, readTypedRange } from '../placement/index.ts';

interface Numbered {
  readonly number: string;
}

/** What was typed to find accounts, where it means their numbers. */
export interface NumberSought {
  /** `numbers that begin with 62`. */
  readonly words: string;
  readonly holds: (account: Numbered) => boolean;
}

const digitsAlone = /^\d[\d./]*$/;
/** Of a range as it is typed, else it is words that have a digit. */
const rangeSigns = /[,*–—-]|\b(?:from|to|except)\b/i;

/**
 * Digits alone are what a number begins with, and `6000 to 6999`, `62*, 71` or `6000-6999` are ranges, where any account is held by them; else, and between quotes, what is
 * typed is words, which are sought in every text of an account. `null`: words.
 */
export function numberSought(find: string, accounts: readonly Numbered[], numbers: ChartNumbers, order: DigitOrder): NumberSought | null {
  const typed = find.trim();
  if (!/\d/.test(typed) || typed.includes('"')) return null;
  const sought = digitsAlone.test(typed) ? beginning(typed) : rangeSigns.test(typed) ? ranged(typed, numbers, order) : null;
  return sought && accounts.some(sought.holds) ? sought : null;
}

/** The same text as words, and as numbers again. */
export function quoted(find: string): string {
  return `"${find.trim()}"`;
}

export function unquoted(find: string): string | null {
  return /^"(.*)"$/.exec(find.trim())?.[1] ?? null;
}

function beginning(typed: string): NumberSought {
  return { words: `numbers that begin with ${typed}`, holds: ({ number }) => number.startsWith(typed) };
}

function ranged(typed: string, numbers: ChartNumbers, order: DigitOrder): NumberSought | null {
  const read = readTypedRange(typed, numbers, order);
  if (!read.ok) return null;
  const holds = rangeTest(read.value.ranges, order);
  return { words: `numbers ${read.value.text}`, holds: ({ number }) => holds(numberKey(number, order)) };
}
