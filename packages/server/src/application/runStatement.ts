import {
  type CompiledLayout,
  type Detail,
  divideHalfAwayFromZero,
  footRows,
  minorUnitsIn,
  type Outcome,
  type PresentedTransfer,
  presentRows,
  presentTransfers,
  roundRows,
  type Scale,
  type StatementRow,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { footingRoots } from './footingRoots.ts';
import type { Ports } from './ports/index.ts';
import { type ColumnChoice, type PreparedStatement, prepareStatement, type StatementName } from './prepareStatement.ts';

export interface StatementChoice extends ColumnChoice {
  readonly detail: number | 'accounts';
  readonly open: readonly string[];
  readonly shut: readonly string[];
  readonly zero: boolean;
  readonly scale: Scale['unit'];
  readonly rounding: Scale['rounding'];
  /** A composed balance sheet, over the same categories, that figures foot to instead of the generated one. */
  readonly sheet?: CompiledLayout | undefined;
}

export interface Statement extends PreparedStatement {
  /** As printed: in units of the scale. */
  readonly rows: readonly StatementRow[];
  /** In minor units; the same where nothing is scaled. */
  readonly exactRows: readonly StatementRow[];
  readonly scale: Scale;
  /** Decimals of the amounts in `rows`. */
  readonly exponent: number;
  /** How many rungs of categories there are to open. */
  readonly rungs: number;
  readonly transfers: readonly PresentedTransfer[];
}

export async function runStatement(ports: Ports, { companyId }: Access, name: StatementName, choice: StatementChoice): Promise<Outcome<Statement, Failure>> {
  const prepared = await prepareStatement(ports, companyId, name, choice);
  if (!prepared.ok) return prepared;
  const { compiled, columns, runs, accounts } = prepared.value;
  const detail: Detail = { rungs: choice.detail, opened: new Set(choice.open), shut: new Set(choice.shut), zeroLines: choice.zero };
  const exactRows = presentRows({ compiled, columns, runs, accounts, detail });
  const rungs = Math.max(1, ...compiled.lines.map((line) => line.rung));
  const scale: Scale = { unit: choice.scale, rounding: choice.rounding };
  const { exponent } = prepared.value.books.company.currency;
  const factor = minorUnitsIn(scale.unit, exponent);
  const rows = await scaled(ports, prepared.value, exactRows, scale, factor, choice.sheet);
  const transfers = presentTransfers(compiled, columns, runs).map((one) => ({
    ...one,
    values: one.values.map((value, at) => (value === null || columns[at]?.kind !== 'amount' ? value : divideHalfAwayFromZero(value, factor))),
  }));
  return succeed({ ...prepared.value, rows, exactRows, scale, exponent: scale.unit === 'exact' ? exponent : 0, rungs, transfers });
}

async function scaled(
  ports: Ports,
  prepared: PreparedStatement,
  rows: readonly StatementRow[],
  { unit, rounding }: Scale,
  factor: bigint,
  sheet: CompiledLayout | undefined,
): Promise<readonly StatementRow[]> {
  if (unit === 'exact') return rows;
  const from = { rows, columns: prepared.columns, factor };
  return rounding === 'independent' ? roundRows(from) : footRows(from, await footingRoots(ports, prepared, factor, sheet));
}
