import type { Currency } from './currency.ts';

/** `1234567` in EUR → `12345.67`: plain decimal text for files, minus in front. */
export function toDecimalText(minorUnits: bigint, currency: Currency): string {
  const negative = minorUnits < 0n;
  const digits = (negative ? -minorUnits : minorUnits).toString().padStart(currency.exponent + 1, '0');
  const whole = digits.slice(0, digits.length - currency.exponent);
  const fraction = digits.slice(digits.length - currency.exponent);
  return `${negative ? '-' : ''}${whole}${fraction ? `.${fraction}` : ''}`;
}

/** What is written otherwise than accounts are printed (common practice): a minus instead of parentheses, noughts instead of a dash. */
export interface FigureStyle {
  readonly negatives?: 'minus';
  readonly nil?: 'zero';
}

/** As accounts are printed: thousands grouped, minus in parentheses, nil as a dash. */
export function formatAmount(minorUnits: bigint, currency: Currency, { negatives, nil }: FigureStyle = {}): string {
  if (minorUnits === 0n && nil !== 'zero') return '–';
  const negative = minorUnits < 0n;
  const [whole = '', fraction] = toDecimalText(negative ? -minorUnits : minorUnits, currency).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, ',') + (fraction === undefined ? '' : `.${fraction}`);
  if (!negative) return grouped;
  return negatives === 'minus' ? `\u2212${grouped}` : `(${grouped})`;
}

/** Tenths of a percent as printed, or others by their decimals: `-57` → `(5.7)`; nothing to compare with → a dash. */
export function formatPercent(value: bigint | null, decimals = 1, style: FigureStyle = {}): string {
  return value === null ? '–' : formatAmount(value, { code: '%', exponent: decimals }, style);
}
