import { formulaWords } from '../formula/formulaFunctions.ts';

/** A key for a caption that no other line has: `Cash at bank` → `cash_at_bank`, then `cash_at_bank_2`. */
export function freshKey(caption: string, taken: { has(key: string): boolean }): string {
  const words = caption
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '_')
    .replace(/^_+|_+$/g, '')
    .slice(0, 40);
  const plain = words === '' ? 'line' : /^\p{L}/u.test(words) ? words : `line_${words}`;
  const isFree = (key: string): boolean => !taken.has(key) && !formulaWords.has(key);
  if (isFree(plain)) return plain;
  for (let number = 2; ; number++) if (isFree(`${plain}_${number}`)) return `${plain}_${number}`;
}

/** Letters, digits and `_`, with a letter first; keys of lines that follow have a dot, so that none is taken by them. */
export function isLineKey(text: string): boolean {
  return /^\p{L}[\p{L}\p{N}_]{0,79}$/u.test(text) && !formulaWords.has(text.toLowerCase());
}
