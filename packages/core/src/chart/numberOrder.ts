/** How all-digit parts of account numbers compare: 411.9 before 411.10, or 10 before 101 before 11. */
export type DigitOrder = 'by_value' | 'digit_by_digit';

const separators = /[.\-/_ ]+/;
const encoder = new TextEncoder();
const digitsTag = 2;
const lettersTag = 3;

/** The part of the key that orders: numbers that compare alike (`07` and `7` by value) have the same. */
function orderBytes(number: string, order: DigitOrder): number[] {
  const bytes: number[] = [];
  for (const part of number.split(separators)) {
    if (/^\d+$/.test(part)) {
      bytes.push(digitsTag);
      if (order === 'by_value') {
        const significant = part.replace(/^0+(?=\d)/, '');
        bytes.push(significant.length, ...encoder.encode(significant));
      } else bytes.push(...encoder.encode(part), 0);
    } else if (part !== '') bytes.push(lettersTag, ...encoder.encode(part.toLowerCase()), 0);
  }
  return bytes;
}

/** A text whose order by `<` is that of account numbers, without the tie-break between `07` and `7`. */
export function orderText(number: string, order: DigitOrder): string {
  return String.fromCharCode(...orderBytes(number, order));
}

/** What the texts of all numbers that begin with this one begin with: part by part, or digit by digit. */
export function beginningText(number: string, order: DigitOrder): string {
  const text = orderText(number, order);
  return order === 'digit_by_digit' && /\d$/.test(number) ? text.replace(/\0$/, '') : text;
}

/**
 * A key whose byte order is the order of account numbers: part by part, a missing part first, letters without
 * regard to case, digits before letters. The number itself follows as a tie-break, so that `07` and `7` differ.
 * The same bytes are stored, so that SQL sorts as the core does.
 */
export function collationKey(number: string, order: DigitOrder): Uint8Array {
  const bytes = orderBytes(number, order);
  bytes.push(0, ...encoder.encode(number));
  return Uint8Array.from(bytes);
}

export function compareKeys(a: Uint8Array, b: Uint8Array): number {
  const length = Math.min(a.length, b.length);
  for (let index = 0; index < length; index++) {
    const difference = (a[index] as number) - (b[index] as number);
    if (difference !== 0) return difference;
  }
  return a.length - b.length;
}

/** Sorted copy in number order; each key is made once. */
export function sortByNumber<Item extends { readonly number: string }>(items: readonly Item[], order: DigitOrder): Item[] {
  return items
    .map((item) => ({ item, key: collationKey(item.number, order) }))
    .sort((a, b) => compareKeys(a.key, b.key))
    .map(({ item }) => item);
}
