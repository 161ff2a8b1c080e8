import { type AmountColumn, cashMoved, changeByLines, type OwnTotals, ownTotals, type RunColumn } from '@ivory-ladder/core';
import type { PreparedStatement } from './prepareStatement.ts';
import { ranAmounts } from './ranAmounts.ts';

/** What a column of a statement is held against: its own totals, or of a cash flow the cash that moved. */
export interface StatementTie extends Pick<OwnTotals, 'difference' | 'outside'> {
  readonly column: AmountColumn;
  /** Of a balance sheet or an income statement. */
  readonly totals: OwnTotals | null;
}

/** Each column that has to tie by itself, with what it is off by; a part of the ledger, a budget and an earlier placement have not. */
export function statementTies(prepared: Pick<PreparedStatement, 'compiled' | 'columns' | 'runs' | 'part'>): StatementTie[] {
  const { compiled, part } = prepared;
  const { kind } = compiled.layout;
  if (part !== '') return [];
  const measure = kind === 'balance_sheet' ? 'closing' : 'movement';
  return ranAmounts(prepared).flatMap(({ column, run }): StatementTie[] => {
    const { budgetId, facets, placedOn, equity } = column;
    if (column.measure !== measure || budgetId !== undefined || facets !== undefined || placedOn !== undefined || equity !== undefined) return [];
    if (kind === 'cash_flow') return cashTie(prepared, column, run);
    const totals = ownTotals(compiled, run);
    return totals ? [{ column, totals, difference: totals.difference, outside: totals.outside }] : [];
  });
}

function cashTie({ compiled }: Pick<PreparedStatement, 'compiled'>, column: AmountColumn, run: RunColumn): StatementTie[] {
  if ((compiled.layout.cash?.accounts.length ?? 0) === 0 || column.began !== undefined) return [];
  const opening = run.sides?.opening ?? new BigInt64Array(run.net.length);
  return [{ column, totals: null, difference: changeByLines(compiled, run) - cashMoved(compiled, opening, run.net), outside: [] }];
}
