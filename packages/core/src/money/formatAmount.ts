import type { Currency } from './currency.ts';

/** `1234567` in EUR → `12345.67`: plain decimal text for files, minus in front. */
export function toDecimalText(minorUnits: bigint, currency: Currency): string {
  const negative = minorUnits < 0n;
  const digits = (negative ? -minorUnits : minorUnits).toString().padStart(currency.exponent + 1, '0');
  const whole = digits.slice(0, digits.length - currency.exponent);
  const fraction = digits.slice(digits.length - currency.exponent);
  return `${negative ? '-' : ''}${whole}${fraction ? `.${fraction}` : ''}`;
}

/** As accounts are printed: thousands grouped, minus in parentheses, nil as a dash (common practice). */
export function formatAmount(minorUnits: bigint, currency: Currency): string {
  if (minorUnits === 0n) return '–';
  const negative = minorUnits < 0n;
  const [whole = '', fraction] = toDecimalText(negative ? -minorUnits : minorUnits, currency).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, ',') + (fraction === undefined ? '' : `.${fraction}`);
  return negative ? `(${grouped})` : grouped;
}

/** Tenths of a percent as printed: `-57` → `(5.7)`, nothing to compare with → a dash. */
export function formatPercent(tenths: bigint | null): string {
  if (tenths === null || tenths === 0n) return '–';
  const size = (tenths < 0n ? -tenths : tenths).toString().padStart(2, '0');
  const grouped = `${size.slice(0, -1).replace(/\B(?=(\d{3})+$)/g, ',')}.${size.slice(-1)}`;
  return tenths < 0n ? `(${grouped})` : grouped;
}
