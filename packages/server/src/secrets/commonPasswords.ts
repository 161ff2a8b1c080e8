import { dictionary } from '@zxcvbn-ts/language-common';

const common = new Set(dictionary['passwords-common'] as readonly string[]);
/** Shorter ones are parts of many words. */
const shortestTold = 6;

/**
 * Among some 49,000 that were found most often where passwords leaked (OWASP ASVS 2.1.7), as it is, once or several times over, or with digits
 * and signs around it.
 */
export function isCommonPassword(password: string): boolean {
  const lower = password.toLowerCase();
  const bare = lower.replace(/^[^\p{L}]+|[^\p{L}]+$/gu, '');
  return [lower, bare].some((text) => common.has(text) || common.has(repeated(text))) && (common.has(lower) || bare.length >= shortestTold);
}

/** What a text is made of that repeats one part; the text itself where it does not. */
function repeated(text: string): string {
  const at = `${text}${text}`.indexOf(text, 1);
  return at > 0 && at < text.length ? text.slice(0, at) : text;
}
