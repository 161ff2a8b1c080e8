import { accountCells } from './accountCells.ts';
import type { AmountCells } from './amountCells.ts';
import { type Cell, isBlankRow, textOf } from './cell.ts';
import { columnsOfHeading } from './columnMeaning.ts';
import type { Reading } from './detectReading.ts';
import { isTotalText } from './totals.ts';
import type { LeftOutReason } from './trialBalanceRow.ts';

export function firstText(cells: readonly Cell[]): string {
  return cells.map(textOf).find((text) => text !== '') ?? '';
}

/**
 * Why a row is no account: blank, above the headings, the headings again, a total by its label or by being the sum
 * of what stands above it, or a line of text without amounts. `null` for a row of an account, whole or faulty.
 */
export function reasonToLeaveOut(cells: readonly Cell[], index: number, { headingRow, columns }: Reading, amounts: AmountCells): LeftOutReason | null {
  if (isBlankRow(cells)) return 'blank';
  if (headingRow !== null && index < headingRow) return 'title';
  if (isHeadingAgain(cells)) return 'heading_repeated';
  const { number, name } = accountCells(cells, columns);
  if (isTotalText(number)) return 'total';
  if (number !== '') return null;
  if (isTotalText(name) || isTotalText(firstText(cells))) return 'total';
  if (!amounts.hasAny(cells)) return 'title';
  return name === '' && amounts.isRunningSum(cells) ? 'total' : null;
}

/** Printed ledgers repeat their headings on each page; a row of an account never holds two heading words. */
function isHeadingAgain(cells: readonly Cell[]): boolean {
  const { number, name, amount, debit, credit } = columnsOfHeading(cells);
  return number !== undefined && name !== undefined && (amount !== undefined || debit !== undefined || credit !== undefined);
}
