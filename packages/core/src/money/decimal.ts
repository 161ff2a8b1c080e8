import { divideHalfAwayFromZero } from './round.ts';

/** An exact decimal: `units` ÷ 10 to the power of `scale`. */
export interface Decimal {
  readonly units: bigint;
  readonly scale: number;
}

const mostDigits = 30;

/** A percentage or a rate as it is typed, with a dot or a comma as decimal sign and no grouping; `null` for what is none. */
export function readDecimal(text: string): Decimal | null {
  const found = /^([-\u2212+]?)(\d*)(?:[.,](\d*))?$/.exec(text.trim());
  if (!found) return null;
  const [, sign = '', whole = '', fraction = ''] = found;
  const digits = whole + fraction;
  if (digits === '' || digits.length > mostDigits) return null;
  const units = BigInt(digits);
  return { units: sign === '' || sign === '+' ? units : -units, scale: fraction.length };
}

/** As text with a dot, without zeros at its end; it reads back to the same value. */
export function writeDecimal({ units, scale }: Decimal): string {
  const digits = (units < 0n ? -units : units).toString().padStart(scale + 1, '0');
  const [whole, fraction] = [digits.slice(0, digits.length - scale), digits.slice(digits.length - scale).replace(/0+$/, '')];
  return `${units < 0n ? '-' : ''}${whole}${fraction === '' ? '' : `.${fraction}`}`;
}

export function tenTo(power: number): bigint {
  return 10n ** BigInt(power);
}

/** So many percent of an amount, rounded half away from zero to the minor unit. */
export function percentOf(amount: bigint, percent: Decimal): bigint {
  return divideHalfAwayFromZero(amount * percent.units, 100n * tenTo(percent.scale));
}
