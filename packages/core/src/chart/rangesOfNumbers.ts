import { collationKey, compareKeys, type DigitOrder } from './numberOrder.ts';
import { type NumberRange, numberKey, rangeTest } from './numberRange.ts';

/**
 * Spans that hold the numbers that are chosen and no other one: those that stand beside each other in number order make one
 * span, unless it would hold a number that is not chosen. Accounts without a number are in none. Cost: numbers².
 */
export function rangesOfNumbers(chosen: ReadonlySet<string>, all: readonly string[], order: DigitOrder): NumberRange[] {
  const numbers = [...new Set(all.filter((number) => number !== ''))]
    .map((number) => ({ number, key: collationKey(number, order) }))
    .sort((a, b) => compareKeys(a.key, b.key))
    .map(({ number }) => number);
  const others = numbers.filter((number) => !chosen.has(number)).map((number) => numberKey(number, order));
  const ranges: NumberRange[] = [];
  for (let at = 0; at < numbers.length; at++) {
    if (!chosen.has(numbers[at] as string)) continue;
    let end = at;
    while (chosen.has(numbers[end + 1] ?? '')) end++;
    // The upper end holds every number that begins with it, which may be one that is not chosen.
    for (; end > at; end--) if (!others.some(rangeTest({ include: [span(numbers[at] as string, numbers[end] as string)], except: [] }, order))) break;
    ranges.push(span(numbers[at] as string, numbers[end] as string));
    at = end;
  }
  return ranges;
}

function span(from: string, to: string): NumberRange {
  return { kind: 'span', from, to };
}
