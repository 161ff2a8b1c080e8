import type { CompiledLayout } from '../layout/compileLayout.ts';
import { type OwnTotals, ownTotals } from '../proofs/ownTotals.ts';
import { cashMoved, changeByLines } from '../proofs/proveCash.ts';
import type { RunColumn } from '../statement/runColumn.ts';
import type { AmountColumn } from '../statement/statement.ts';
import type { StatementPlan } from './plan.ts';
import { ranAmounts } from './runColumns.ts';

/** What a column of a statement is held against: its own totals, or of a cash flow the cash that moved. */
export interface StatementTie extends Pick<OwnTotals, 'difference' | 'outside'> {
  readonly column: AmountColumn;
  /** Of a balance sheet or an income statement. */
  readonly totals: OwnTotals | null;
}

/** Each column that has to tie by itself, with what it is off by; a part of the ledger, a budget and an earlier placement have not. */
export function statementTies(plan: Pick<StatementPlan, 'compiled' | 'columns' | 'part'>, runs: readonly RunColumn[]): StatementTie[] {
  const { compiled, part } = plan;
  const { kind } = compiled.layout;
  if (part !== '') return [];
  const measure = kind === 'balance_sheet' ? 'closing' : 'movement';
  return ranAmounts(plan, runs).flatMap(({ column, run }): StatementTie[] => {
    const { budgetId, facets, placedOn, equity } = column;
    if (column.measure !== measure || budgetId !== undefined || facets !== undefined || placedOn !== undefined || equity !== undefined) return [];
    if (kind === 'cash_flow') return cashTie(compiled, column, run);
    const totals = ownTotals(compiled, run);
    return totals ? [{ column, totals, difference: totals.difference, outside: totals.outside }] : [];
  });
}

function cashTie(compiled: CompiledLayout, column: AmountColumn, run: RunColumn): StatementTie[] {
  if ((compiled.layout.cash?.accounts.length ?? 0) === 0 || column.began !== undefined) return [];
  const opening = run.sides?.opening ?? new BigInt64Array(run.net.length);
  return [{ column, totals: null, difference: changeByLines(compiled, run) - cashMoved(compiled, opening, run.net), outside: [] }];
}
