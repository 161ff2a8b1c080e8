import type { CalculationResult } from '../layout/line.ts';
import type { Currency } from '../money/currency.ts';
import { formatAmount, formatPercent } from '../money/formatAmount.ts';
import { decimalsOf } from './shownValue.ts';

/** A figure in its unit: minor units, hundredths, tenths of a percent, days, as text too; a dash where there is none. */
export function formatFigure(figure: bigint | string | null, unit: CalculationResult | undefined, currency: Currency): string {
  if (figure === null) return '–';
  const value = BigInt(figure);
  if (unit === undefined || unit === 'amount') return formatAmount(value, currency);
  if (unit === 'percent') return value === 0n ? '0.0 %' : `${formatPercent(value)} %`;
  return formatAmount(value, { code: unit, exponent: decimalsOf[unit] });
}
