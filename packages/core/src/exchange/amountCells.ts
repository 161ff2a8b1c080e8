import type { Currency } from '../money/currency.ts';
import { toDecimalText } from '../money/formatAmount.ts';
import { readAmount } from '../money/readAmount.ts';
import { type Cell, textOf } from './cell.ts';
import type { ColumnMeaning } from './columnMeaning.ts';
import type { Reading } from './detectReading.ts';
import type { RowProblem, TrialBalanceRow } from './trialBalanceRow.ts';

const creditWords = /^(c|cr|credit|h|haben|k)\.?$/i;

/** Reads the amounts of a row in the form that the file has, debit positive, and checks opening + turnover = closing. */
export class AmountCells {
  private readonly columnSums = { debit: 0n, credit: 0n, net: 0n };

  constructor(
    private readonly reading: Reading,
    private readonly currency: Currency,
    private readonly problems: RowProblem[],
  ) {}

  /** Whether any amount column of the row has something in it. */
  hasAny(cells: readonly Cell[]): boolean {
    return (['amount', 'debit', 'credit'] as const).some((column) => this.text(cells, column) !== '');
  }

  read(cells: readonly Cell[], row: number): Pick<TrialBalanceRow, 'amount' | 'found'> {
    const { amounts } = this.reading;
    const isSplit = amounts === 'debit_and_credit';
    const found = isSplit ? { first: this.text(cells, 'debit'), second: this.text(cells, 'credit') } : { first: this.text(cells, 'amount'), second: this.text(cells, 'mark') };
    const amount = isSplit ? this.difference(cells, row, 'debit', 'credit') : this.marked(cells, row);
    if (amount !== null) {
      this.checkTurnover(cells, row, amount);
      this.columnSums.debit += this.quietly(cells, 'debit');
      this.columnSums.credit += this.quietly(cells, 'credit');
      this.columnSums.net += amount;
    }
    return { amount, found };
  }

  /** Whether the row's amounts are the sums of the rows read so far. */
  isRunningSum(cells: readonly Cell[]): boolean {
    if (this.reading.amounts !== 'debit_and_credit') return this.quietly(cells, 'amount') === this.columnSums.net;
    return this.quietly(cells, 'debit') === this.columnSums.debit && this.quietly(cells, 'credit') === this.columnSums.credit;
  }

  /** The amount of a cell, nil where it cannot be read; says nothing. */
  private quietly(cells: readonly Cell[], column: ColumnMeaning): bigint {
    const cell = cells[this.reading.columns[column] ?? -1] ?? '';
    const read = readAmount(textOf(cell), typeof cell === 'string' ? this.reading.decimalSign : '.', this.currency);
    return read.ok ? read.value.minorUnits : 0n;
  }

  private text(cells: readonly Cell[], column: ColumnMeaning): string {
    return textOf(cells[this.reading.columns[column] ?? -1]);
  }

  private amountIn(cells: readonly Cell[], row: number, column: ColumnMeaning): { minorUnits: bigint; mark: 'debit' | 'credit' | null } | null {
    const cell = cells[this.reading.columns[column] ?? -1] ?? '';
    const text = textOf(cell);
    const read = readAmount(text, typeof cell === 'string' ? this.reading.decimalSign : '.', this.currency);
    if (read.ok) return read.value;
    const { code } = read.failure;
    this.problems.push({ row, column, code, found: text, other: code === 'amount_too_precise' ? String(this.currency.exponent) : this.reading.decimalSign, warning: false });
    return null;
  }

  private difference(cells: readonly Cell[], row: number, debitColumn: ColumnMeaning, creditColumn: ColumnMeaning): bigint | null {
    const debit = this.amountIn(cells, row, debitColumn);
    const credit = this.amountIn(cells, row, creditColumn);
    return debit && credit ? debit.minorUnits - credit.minorUnits : null;
  }

  private marked(cells: readonly Cell[], row: number): bigint | null {
    const read = this.amountIn(cells, row, 'amount');
    if (!read) return null;
    if (this.reading.amounts === 'signed') return read.mark === 'credit' ? -read.minorUnits : read.minorUnits;
    const isCredit = read.mark ? read.mark === 'credit' : creditWords.test(this.text(cells, 'mark'));
    return isCredit ? -read.minorUnits : read.minorUnits;
  }

  private checkTurnover(cells: readonly Cell[], row: number, closing: bigint): void {
    const { columns } = this.reading;
    const hasOpening = columns.opening !== undefined || (columns.opening_debit !== undefined && columns.opening_credit !== undefined);
    if (!hasOpening || columns.turnover_debit === undefined || columns.turnover_credit === undefined) return;
    const opening = columns.opening === undefined ? this.difference(cells, row, 'opening_debit', 'opening_credit') : (this.amountIn(cells, row, 'opening')?.minorUnits ?? null);
    const turnover = this.difference(cells, row, 'turnover_debit', 'turnover_credit');
    if (opening === null || turnover === null || opening + turnover === closing) return;
    this.problems.push({ row, column: 'opening', code: 'closing_not_opening_plus_turnover', found: toDecimalText(closing, this.currency), other: toDecimalText(opening + turnover, this.currency), warning: true });
  }
}
