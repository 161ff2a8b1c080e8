import { fail, type Outcome, succeed } from '../outcome.ts';
import type { Currency } from './currency.ts';

export type DecimalSign = '.' | ',';

export type AmountUnreadable =
  | { code: 'amount_unreadable'; found: string; decimalSign: DecimalSign }
  | { code: 'amount_too_precise'; found: string; places: number }
  | { code: 'amount_too_large'; found: string };

export interface ReadAmount {
  /** Minor units, with the sign that was written. */
  readonly minorUnits: bigint;
  /** Which side a mark beside the figure names, if there is one. */
  readonly mark: 'debit' | 'credit' | null;
}

/** Bounds a single amount so that sums over any ledger stay under 2⁶³. */
export const largestAmount = 10n ** 16n;
const spaces = /[\s\u00a0\u2007\u2009\u202f]/g;
const marks = /^(dr|cr|d|c|s|h|debit|credit)\.?(?=[\d\s.,'(+-])|(?<=[\d\s)+.-])(dr|cr|d|c|s|h|debit|credit)\.?$/i;

const nil = { minorUnits: 0n, mark: null } as const;
const figures = /^[-\d.,]+$/;

/**
 * Reads an amount as ledgers print it: thousands grouped by space, narrow or no-break space, apostrophe, or the
 * other one of dot and comma; a minus in front or behind, or parentheses; a debit or credit mark before or after
 * (DR/CR, D/C, S/H). Groups must be of three digits, so that `1.204.88,5` is refused and not guessed.
 * Empty text and a lone dash are nil.
 */
export function readAmount(text: string, decimalSign: DecimalSign, currency: Currency): Outcome<ReadAmount, AmountUnreadable> {
  if (text === '') return succeed(nil);
  const unreadable = () => fail({ code: 'amount_unreadable' as const, found: text, decimalSign });
  let rest = text.replace(/[\u2212\u2012\u2013\u2014]/g, '-').trim();
  if (rest === '' || rest === '-') return succeed(nil);
  let mark: ReadAmount['mark'] = null;
  // Most amounts of a file are figures alone.
  const isPlain = figures.test(rest);
  const marked = isPlain ? null : marks.exec(rest);
  if (marked) {
    const word = (marked[1] ?? marked[2] ?? '').toLowerCase();
    mark = word.startsWith('d') || word === 's' ? 'debit' : 'credit';
    rest = rest.replace(marks, '').trim();
  }
  if (!isPlain) rest = withoutCurrency(rest, currency).replace(spaces, '');
  let negative = false;
  const enclosed = /^\((.*)\)$/.exec(rest);
  if (enclosed) {
    negative = true;
    rest = enclosed[1] ?? '';
  } else if (rest.startsWith('-') || rest.endsWith('-')) {
    negative = true;
    rest = rest.startsWith('-') ? rest.slice(1) : rest.slice(0, -1);
  } else if (rest.startsWith('+')) rest = rest.slice(1);
  const grouping = decimalSign === '.' ? ',' : '.';
  const [whole = '', fraction = '', ...more] = rest.split(decimalSign);
  if (more.length > 0 || !/^\d*$/.test(fraction) || (whole === '' && fraction === '')) return unreadable();
  const separator = whole.includes("'") ? "'" : whole.includes('’') ? '’' : grouping;
  const groups = whole.split(separator);
  if (groups.some((group) => !/^\d*$/.test(group))) return unreadable();
  if (groups.length > 1 && (groups[0] === '' || (groups[0] ?? '').length > 3 || groups.slice(1).some((group) => group.length !== 3))) return unreadable();
  const significant = fraction.replace(/0+$/, '');
  if (significant.length > currency.exponent) return fail({ code: 'amount_too_precise', found: text, places: currency.exponent });
  const minorUnits = BigInt(groups.join('') + significant.padEnd(currency.exponent, '0') || '0');
  if (minorUnits > largestAmount) return fail({ code: 'amount_too_large', found: text });
  return succeed({ minorUnits: negative ? -minorUnits : minorUnits, mark });
}

const currencyMarks = new Map<string, RegExp>();

function withoutCurrency(text: string, { code }: Currency): string {
  const marks = currencyMarks.get(code) ?? new RegExp(`^(${code}|[€$£¥])|(${code}|[€$£¥])$`, 'i');
  currencyMarks.set(code, marks);
  return text.replace(marks, '').trim();
}
