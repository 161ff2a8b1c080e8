import { type Detail, type Outcome, type PresentedTransfer, presentRows, presentTransfers, type StatementRow, succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import type { Ports } from './ports/index.ts';
import { type ColumnChoice, type PreparedStatement, prepareStatement, type StatementName } from './prepareStatement.ts';

export interface StatementChoice extends ColumnChoice {
  readonly detail: number | 'accounts';
  readonly open: readonly string[];
  readonly shut: readonly string[];
  readonly zero: boolean;
}

export interface Statement extends PreparedStatement {
  readonly rows: readonly StatementRow[];
  /** How many rungs of categories there are to open. */
  readonly rungs: number;
  readonly transfers: readonly PresentedTransfer[];
}

export async function runStatement(ports: Ports, { companyId }: Access, name: StatementName, choice: StatementChoice): Promise<Outcome<Statement, Failure>> {
  const prepared = await prepareStatement(ports, companyId, name, choice);
  if (!prepared.ok) return prepared;
  const { compiled, columns, runs, accounts } = prepared.value;
  const detail: Detail = { rungs: choice.detail, opened: new Set(choice.open), shut: new Set(choice.shut), zeroLines: choice.zero };
  const rows = presentRows({ compiled, columns, runs, accounts, detail });
  const rungs = Math.max(1, ...compiled.lines.map((line) => line.rung));
  return succeed({ ...prepared.value, rows, rungs, transfers: presentTransfers(compiled, columns, runs) });
}
