import { betweenKeys } from '../columns/betweenKeys.ts';
import { evaluateFormula } from '../formula/evaluateFormula.ts';
import { fraction, roundFraction } from '../formula/fraction.ts';
import { divideHalfAwayFromZero, percentChange } from '../money/round.ts';
import { decimalsIn } from './decimalsIn.ts';
import type { CalculationColumn, StatementColumn } from './statement.ts';

/**
 * The amounts of a row, in their order, with what is made of them in the columns between; what is no amount has no percent of
 * change, no share and no calculation. `wholeOf`: what a line shows in the column at an index, by its key. `exponent`: of the currency.
 */
export function withChanges(
  columns: readonly StatementColumn[],
  amounts: readonly (bigint | null)[],
  isAmount: boolean,
  wholeOf: (line: string, column: number) => bigint | null,
  exponent: number,
): (bigint | null)[] {
  const values: (bigint | null)[] = [];
  let next = 0;
  // By index: it is done for each row down to the accounts.
  for (let at = 0; at < columns.length; at++) values.push(columns[at]?.kind === 'amount' ? (amounts[next++] ?? null) : null);
  for (let at = 0; at < columns.length; at++) {
    const column = columns[at] as StatementColumn;
    if (column.kind === 'change' || column.kind === 'percent') {
      const [current, earlier] = [values[column.of] ?? null, values[column.against] ?? null];
      if (current === null || earlier === null) continue;
      // Without a change there is no percent of it.
      values[at] =
        column.kind === 'change' ? current - earlier : isAmount && current !== earlier ? percentChange(current, earlier, decimalsIn(column) ?? 0) : null;
    } else if (column.kind === 'share' && isAmount) {
      const [part, whole] = [values[column.of] ?? null, wholeOf(column.line, column.of)];
      if (part !== null && whole !== null && whole !== 0n) values[at] = divideHalfAwayFromZero(part * 10n ** BigInt((decimalsIn(column) ?? 0) + 2), whole);
    } else if (column.kind === 'calculation' && isAmount) values[at] = calculated(column, values, exponent);
  }
  return values;
}

/** Rounded once, half away from zero: an amount to the minor unit; `null` where it has no value. */
function calculated(column: CalculationColumn, values: readonly (bigint | null)[], exponent: number): bigint | null {
  const { formula, operands, result, days } = column;
  const unit = 10n ** BigInt(exponent);
  const value = evaluateFormula(formula, {
    days,
    between: (from, to) => betweenKeys([...operands.keys()])(from, to),
    amountOf: (key) => {
      const amount = values[operands.get(key) ?? -1] ?? null;
      return amount === null ? null : fraction(amount, unit);
    },
  });
  if (!value.ok) return null;
  // A percent is a hundredth: what the formula comes to times a hundred.
  return roundFraction(value.value, (decimalsIn(column) ?? exponent) + (result === 'percent' ? 2 : 0));
}
