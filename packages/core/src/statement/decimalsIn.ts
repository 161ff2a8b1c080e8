import { decimalsOf } from '../layout/lineUnit.ts';
import type { StatementColumn } from './statement.ts';

/** Decimals of the values of a column that are no amounts; `null` for a column of amounts. */
export function decimalsIn(column: Pick<StatementColumn, 'kind' | 'format'> & { readonly result?: string }): number | null {
  const { kind, format, result = 'amount' } = column;
  if (kind === 'percent' || kind === 'share') return format?.decimals ?? decimalsOf.percent;
  return kind === 'calculation' && (result === 'ratio' || result === 'percent') ? (format?.decimals ?? decimalsOf[result]) : null;
}
