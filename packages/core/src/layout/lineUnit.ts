import type { CalculationResult, Line } from './line.ts';

/** Decimals of a value that is no amount. */
export const decimalsOf: Readonly<Record<Exclude<CalculationResult, 'amount'>, number>> = { ratio: 2, percent: 1, days: 0 };

/** Shown amounts are net amounts times this: −1 where positive is credit, and turned once more where reversed. */
export function shownSign(line: Pick<Line, 'side' | 'reversed'>): 1n | -1n {
  return (line.side === 'debit') !== line.reversed ? 1n : -1n;
}

export function unitOf(line: Line): CalculationResult {
  return line.kind === 'calculation' ? line.result : 'amount';
}
