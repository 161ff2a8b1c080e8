/** One part of an account number. Digits that are too few are filled with zeros from the left. */
export interface NumberPart {
  readonly kind: 'digits' | 'letters' | 'either';
  /** 1 to 20 characters. */
  readonly shortest: number;
  readonly longest: number;
}

/** How a company's account numbers are built; `null` in a company's settings: any text. */
export interface NumberScheme {
  /** 1 to 8 parts. */
  readonly parts: readonly NumberPart[];
  /** Between two parts; empty where the parts stand together. */
  readonly separator: '' | '.' | '-' | '/' | ' ';
  /** Parts that every number has; those behind them are for sub-accounts. */
  readonly leastParts: number;
}

/** `part` counts from 1; `null` where the parts are too few or too many. */
export type NumberMalformed = { code: 'account_number_malformed'; number: string; part: number | null; scheme: NumberScheme };

const separators = /[.\-/_ ]+/;

/**
 * What is typed, brought to the scheme: `40 210 3`, `40.210.03` and `4021003` are all `40-210-03`. Letters become
 * capitals. Without separators the characters fill the parts from the left, so only the last part may be open-ended.
 * Bringing a number to the scheme twice changes nothing more.
 */
export function bringToScheme(typed: string, scheme: NumberScheme | null): { ok: true; value: string } | { ok: false; failure: NumberMalformed } {
  const text = typed.trim().replace(/\s+/g, ' ');
  if (!scheme) return { ok: true, value: text };
  const refuse = (part: number | null) => ({ ok: false as const, failure: { code: 'account_number_malformed' as const, number: text, part, scheme } });
  const chunks = text.split(separators).filter((chunk) => chunk !== '');
  const parts = chunks.length === 1 && scheme.parts.length > 1 ? slice(chunks[0] as string, scheme) : chunks;
  if (parts.length > scheme.parts.length || parts.length < scheme.leastParts) return refuse(null);
  const brought: string[] = [];
  for (const [at, part] of parts.entries()) {
    const { kind, shortest, longest } = scheme.parts[at] as NumberPart;
    const filled = kind === 'digits' ? part.padStart(shortest, '0') : part.toUpperCase();
    if (!allowed[kind].test(filled) || filled.length < shortest || filled.length > longest) return refuse(at + 1);
    brought.push(filled);
  }
  return { ok: true, value: brought.join(scheme.separator) };
}

const allowed = { digits: /^\d+$/, letters: /^\p{L}+$/u, either: /^[\p{L}\d]+$/u } as const;

/** Without separators: each part takes as many characters as it can hold. */
function slice(text: string, { parts }: NumberScheme): string[] {
  const slices: string[] = [];
  let at = 0;
  for (const { longest } of parts) {
    if (at >= text.length) break;
    slices.push(text.slice(at, at + longest));
    at += longest;
  }
  if (at < text.length) slices.push(text.slice(at));
  return slices;
}

/** The form of the scheme as an example: `12-345-67`, `AB.12`; parts that may be missing stand in parentheses. */
export function exampleOf({ parts, separator, leastParts }: NumberScheme): string {
  let digit = 0;
  let letter = 0;
  const sample = ({ kind, longest }: NumberPart) =>
    Array.from({ length: Math.min(longest, 6) }, () => (kind === 'letters' ? letters[letter++ % letters.length] : String(++digit % 10))).join('');
  return parts
    .map((part, at) => {
      const text = `${at > 0 ? separator : ''}${sample(part)}`;
      return at < leastParts ? text : `(${text})`;
    })
    .join('');
}

const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
