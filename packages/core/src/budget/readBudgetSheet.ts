import type { Account } from '../chart/account.ts';
import { accountsByNumber, referenceKey } from '../chart/accountReference.ts';
import { type Cell, isBlankRow, textOf } from '../exchange/cell.ts';
import type { Currency } from '../money/currency.ts';
import { readAmount } from '../money/readAmount.ts';

export interface BudgetCell {
  readonly accountId: number;
  /** From 1. */
  readonly period: number;
  /** Debit positive. */
  readonly amount: bigint;
}

export interface BudgetSheetFault {
  /** From 1. */
  readonly row: number;
  readonly code: 'account_unknown' | 'account_takes_no_postings' | 'account_twice' | 'amount_unreadable';
  readonly found: string;
}

export interface BudgetSheet {
  readonly cells: readonly BudgetCell[];
  readonly rows: number;
  readonly faults: readonly BudgetSheetFault[];
}

/** Headings of the columns before the periods, in the workbook that is written. */
export const budgetHeadings = ['Number', 'Name', 'Side'] as const;

type KnownAccount = Account & { readonly isParent: boolean };

/**
 * A budget's workbook read back: below the row of headings each row is an account by its number (or path of names), then
 * its name and side, then an amount of each period on the account's normal side; what stands further right is left alone.
 * Empty cells are nil. Rows without a number are left alone.
 */
export function readBudgetSheet(rows: readonly (readonly Cell[])[], accounts: readonly KnownAccount[], periods: number, currency: Currency): BudgetSheet {
  const byNumber = accountsByNumber(accounts);
  const cells: BudgetCell[] = [];
  const faults: BudgetSheetFault[] = [];
  const seen = new Set<number>();
  const heading = rows.findIndex((row) => budgetHeadings.every((caption, at) => textOf(row[at]) === caption));
  let read = 0;
  for (const [at, row] of rows.entries()) {
    const reference = textOf(row[0]);
    if (at <= heading || isBlankRow(row) || reference === '') continue;
    read += 1;
    const account = byNumber.get(referenceKey(reference));
    const fault = !account ? 'account_unknown' : account.isParent ? 'account_takes_no_postings' : seen.has(account.id) ? 'account_twice' : null;
    if (!account || fault) {
      faults.push({ row: at + 1, code: fault ?? 'account_unknown', found: reference });
      continue;
    }
    seen.add(account.id);
    for (let period = 1; period <= periods; period++) {
      const cell = row[budgetHeadings.length + period - 1] ?? '';
      const amount = amountOf(cell, currency);
      if (amount === null) faults.push({ row: at + 1, code: 'amount_unreadable', found: textOf(cell) });
      else cells.push({ accountId: account.id, period, amount: account.normalSide === 'debit' ? amount : -amount });
    }
  }
  return { cells, rows: read, faults };
}

function amountOf(cell: Cell, currency: Currency): bigint | null {
  const text = textOf(cell);
  const [dot, comma] = [readAmount(text, '.', currency), readAmount(text, ',', currency)];
  const read = dot.ok || typeof cell !== 'string' ? dot : comma;
  return read.ok ? read.value.minorUnits : null;
}
