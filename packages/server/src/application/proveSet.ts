import {
  type AmountColumn,
  addDays,
  type CompiledLayout,
  cashIn,
  cashMoved,
  changeByLines,
  countsInGroup,
  type Layer,
  layers,
  layoutCoverage,
  netByLines,
  type Outcome,
  proveBothSides,
  proveEquityChanges,
  proveSame,
  proveSetCoverage,
  proveTranslation,
  type RunColumn,
  runIndexOf,
  type SetEquityChange,
  type SetFaults,
  type SetProof,
  type SetTie,
  type SetTranslation,
  succeed,
  type Unprovable,
  yearOf,
} from '@ivory-ladder/core';
import { cashOn, putTogether } from './besideCash.ts';
import { accountsCoveredIn } from './coveredAccounts.ts';
import { differenceOver } from './differenceOver.ts';
import { equityChanges } from './equityChanges.ts';
import type { Failure } from './failure.ts';
import type { Ports } from './ports/index.ts';
import { layoutsOf } from './prepareStatement.ts';
import { type RanAmounts, ranAmounts } from './ranAmounts.ts';
import { amountsOver } from './readingVectors.ts';
import { runColumns } from './runColumns.ts';
import type { RanPart } from './runSet.ts';
import type { Statement } from './runStatement.ts';

interface ProvedPart {
  readonly key: string;
  readonly statement: Statement;
}

/**
 * What the statements of a set prove together, made of what their lines hold: both sides of each balance sheet; the result of each
 * balance sheet and each income statement over its fiscal year to date; the change of each cash flow, of cash, and of cash in the
 * balance sheet of the set (the generated one where it has none); and that every account stands in each statement once.
 */
export async function proveSet(ports: Ports, parts: readonly RanPart[]): Promise<Outcome<readonly SetProof[], Failure>> {
  const run = parts.flatMap(({ part, statement }): ProvedPart[] => (statement.ok ? [{ key: part.key, statement: statement.value }] : []));
  const ofKind = (kind: CompiledLayout['layout']['kind']) => run.filter(({ statement }) => statement.compiled.layout.kind === kind);
  const [sheets, incomes, cashFlows] = [ofKind('balance_sheet'), ofKind('income_statement'), ofKind('cash_flow')];
  const proofs: SetProof[] = [];
  if (sheets.length > 0) proofs.push(proveBothSides(sheets.flatMap((sheet) => ranAmounts(sheet.statement).map((ran) => bothSides(sheet, ran)))));
  if (sheets.length > 0 && incomes.length > 0) {
    const ties = await profitTies(ports, sheets, incomes);
    if (!ties.ok) return ties;
    proofs.push(proveSame('profit', ties.value));
  }
  const cash = await cashTies(ports, sheets[0], cashFlows);
  if (cash.length > 0) proofs.push(proveSame('cash', cash));
  const equity = await equityTies(ports, sheets[0], ofKind('changes_in_equity'));
  if (equity.length > 0) proofs.push(proveEquityChanges(equity));
  const translations = await translationTies(ports, sheets);
  if (translations.length > 0) proofs.push(proveTranslation(translations));
  proofs.push(proveSetCoverage(run.map(faultsOf)));
  return succeed(proofs);
}

function unprovableOf({ budgetId, facets, placedOn, began, measure }: AmountColumn): Unprovable | null {
  if (budgetId !== undefined) return 'budget';
  if (began !== undefined && measure !== 'closing') return 'first_balances';
  return facets !== undefined ? 'facets' : placedOn !== undefined ? 'placement' : null;
}

function bothSides({ key, statement: { compiled } }: ProvedPart, { column, run }: RanAmounts): SetTie {
  const figures = [
    { name: 'debit_side' as const, part: key, net: netByLines(compiled, run, 'debit') },
    { name: 'credit_side' as const, part: key, net: netByLines(compiled, run, 'credit') },
  ];
  return { part: key, day: column.span.lastDay, figures, unprovable: unprovableOf(column) };
}

/** Each closing column of each balance sheet beside each income statement, run over its fiscal year to date. */
async function profitTies(ports: Ports, sheets: readonly ProvedPart[], incomes: readonly ProvedPart[]): Promise<Outcome<readonly SetTie[], Failure>> {
  const ties: SetTie[] = [];
  for (const sheet of sheets) {
    const { books } = sheet.statement;
    const closing = ranAmounts(sheet.statement).filter(({ column }) => column.measure === 'closing');
    for (const income of incomes) {
      const columns = closing.map(
        ({ column }): AmountColumn => ({
          ...column,
          measure: 'movement',
          span: { firstDay: yearOf(books.calendar, column.span.lastDay)?.firstDay ?? column.span.firstDay, lastDay: column.span.lastDay },
        }),
      );
      const { compiled } = income.statement;
      const ran = await runColumns(ports, income.statement.books, compiled, columns, {});
      if (!ran.ok) return ran;
      for (const [at, { column, run: balances }] of closing.entries()) {
        const figures = [
          { name: 'result' as const, part: sheet.key, net: resultIn(sheet.statement.compiled, balances) },
          { name: 'profit' as const, part: income.key, net: netByLines(compiled, ran.value.runs[at] as RunColumn) },
        ];
        ties.push({ part: sheet.key, day: column.span.lastDay, figures, unprovable: unprovableOf(column) });
      }
    }
  }
  return succeed(ties);
}

function resultIn({ lines }: CompiledLayout, { amounts }: RunColumn): bigint {
  return lines.reduce((sum, line, index) => (line.kind === 'result' && countsInGroup(line) ? sum + (amounts[index] as bigint) : sum), 0n);
}

async function cashTies(ports: Ports, sheet: ProvedPart | undefined, cashFlows: readonly ProvedPart[]): Promise<SetTie[]> {
  const ties: SetTie[] = [];
  for (const cashFlow of cashFlows) {
    const { books, compiled } = cashFlow.statement;
    const balanceSheet = sheet?.statement.compiled ?? layoutsOf(books).balance_sheet;
    for (const { column, run } of ranAmounts(cashFlow.statement)) {
      if (column.measure !== 'movement') continue;
      const chosen: readonly Layer[] = column.withoutAdjustments ? ['ledger'] : layers;
      const { opening, movement, closing } = await amountsOver(ports, books, column.span, false, chosen);
      const figures = [
        { name: 'change_by_lines' as const, part: cashFlow.key, net: changeByLines(compiled, run) },
        { name: 'cash_moved' as const, part: null, net: cashMoved(compiled, opening, movement) },
        {
          name: 'cash_in_balance_sheet' as const,
          part: sheet?.key ?? null,
          net:
            cashIn(balanceSheet, cashOn(compiled, books, column.span.lastDay), putTogether(books, closing)).net -
            cashIn(balanceSheet, cashOn(compiled, books, addDays(column.span.firstDay, -1)), putTogether(books, opening)).net,
        },
      ];
      ties.push({ part: cashFlow.key, day: column.span.lastDay, figures, unprovable: unprovableOf(column) });
    }
  }
  return ties;
}

async function equityTies(ports: Ports, sheet: ProvedPart | undefined, statements: readonly ProvedPart[]): Promise<SetEquityChange[]> {
  const ties: SetEquityChange[] = [];
  for (const { key, statement } of statements) {
    const { books, compiled } = statement;
    const changes = await equityChanges(ports, books, sheet?.statement.compiled ?? layoutsOf(books).balance_sheet, compiled, statement);
    ties.push(...changes.map((change) => ({ ...change, part: key, sheet: sheet?.key ?? null, unprovable: unprovableOf(change.column) })));
  }
  return ties;
}

/** Of each balance sheet in another currency, over the fiscal year to date. */
async function translationTies(ports: Ports, sheets: readonly ProvedPart[]): Promise<SetTranslation[]> {
  const ties: SetTranslation[] = [];
  for (const { key, statement } of sheets) {
    for (const { column } of ranAmounts(statement)) {
      if (column.measure !== 'closing' || unprovableOf(column) !== null) continue;
      const { lastDay } = column.span;
      const firstDay = yearOf(statement.books.calendar, lastDay)?.firstDay ?? column.span.firstDay;
      const explained = await differenceOver(ports, statement.books, { firstDay, lastDay }, column.withoutAdjustments ? ['ledger'] : layers);
      if (explained) ties.push({ part: key, day: lastDay, ...explained });
    }
  }
  return ties;
}

function faultsOf({ key, statement: { books, compiled, scope, layoutId, columns, runs } }: ProvedPart): SetFaults {
  const at = columns.findIndex((column) => column.kind === 'amount' && unprovableOf(column) === null);
  const run = runs[runIndexOf(columns, at)];
  if (!run || scope.length === 0) return { part: key, accounts: [] };
  const { faults } = layoutCoverage(compiled, scope, accountsCoveredIn(books, layoutId), run.net, books.lists, run.readings);
  return { part: key, accounts: faults.filter((fault) => fault.net !== 0n).map(({ account, state, net }) => ({ account, reason: state, net })) };
}
