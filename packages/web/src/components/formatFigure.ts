import { type Currency, decimalsOf, formatAmount, formatPercent } from '@ivory-ladder/core';

type Unit = 'amount' | 'ratio' | 'percent' | 'days';

/** A figure in its unit: minor units, hundredths, tenths of a percent, days; a dash where there is none. */
export function formatFigure(value: string | null, unit: Unit | undefined, currency: Currency): string {
  if (value === null) return '–';
  if (unit === undefined || unit === 'amount') return formatAmount(BigInt(value), currency);
  if (unit === 'percent') return value === '0' ? '0.0 %' : `${formatPercent(BigInt(value))} %`;
  return formatAmount(BigInt(value), { code: unit, exponent: decimalsOf[unit] });
}
