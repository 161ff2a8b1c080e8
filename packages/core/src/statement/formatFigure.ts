import type { CalculationResult } from '../layout/line.ts';
import { decimalsOf } from '../layout/lineUnit.ts';
import type { Currency } from '../money/currency.ts';
import { type FigureStyle, formatAmount, formatPercent } from '../money/formatAmount.ts';
import { decimalsIn } from './decimalsIn.ts';
import type { StatementColumn } from './statement.ts';

/** What of a column says how its figures are written. */
type StatementColumnLook = Pick<StatementColumn, 'kind' | 'format'> & { readonly result?: CalculationResult };

/** A figure in its unit: minor units, hundredths, tenths of a percent, days, as text too; a dash where there is none. */
export function formatFigure(figure: bigint | string | null, unit: CalculationResult | undefined, currency: Currency, style: FigureStyle = {}): string {
  if (figure === null) return '–';
  const value = BigInt(figure);
  if (unit === undefined || unit === 'amount') return formatAmount(value, currency, style);
  if (unit === 'percent') return value === 0n ? '0.0 %' : `${formatPercent(value, decimalsOf.percent, style)} %`;
  return formatAmount(value, { code: unit, exponent: decimalsOf[unit] }, style);
}

/** A figure as it stands in a column of a statement; `unit`: of the row. Percents of a column have their sign in its heading. */
export function formatInColumn(column: StatementColumnLook, value: bigint | string | null, unit: CalculationResult | undefined, currency: Currency): string {
  const { kind, format = {}, result } = column;
  const decimals = decimalsIn(column);
  if (kind === 'text') return '';
  // What a percent changed by is no percent of it.
  if (kind === 'change' && unit === 'percent' && value !== null) return `${formatPercent(BigInt(value), decimalsOf.percent, { nil: 'zero', ...format })} pts`;
  if (decimals === null || value === null) return formatFigure(value, kind === 'calculation' ? 'amount' : unit, currency, format);
  if (result !== 'percent') return formatPercent(BigInt(value), decimals, format);
  return `${formatPercent(BigInt(value), decimals, { nil: 'zero', ...format })} %`;
}
