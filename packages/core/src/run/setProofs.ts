import { addDays, type Span } from '../calendar/day.ts';
import { yearOf } from '../calendar/fiscalCalendar.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import { layoutCoverage } from '../layout/layoutCoverage.ts';
import { countsInGroup } from '../layout/line.ts';
import { cashIn, cashMoved, changeByLines } from '../proofs/proveCash.ts';
import {
  proveBothSides,
  proveEquityChanges,
  proveSame,
  proveSetCoverage,
  proveTranslation,
  type SetEquityChange,
  type SetFaults,
  type SetProof,
  type SetTie,
  type SetTranslation,
  type Unprovable,
} from '../set/proveSet.ts';
import { netByLines } from '../statement/netByLines.ts';
import type { RunColumn } from '../statement/runColumn.ts';
import { type AmountColumn, runIndexOf } from '../statement/statement.ts';
import { type SpanNeeds, spanNeeds, type Wanted } from './columnNeeds.ts';
import { cashOn, putTogether } from './daysOfCash.ts';
import { equityChanges, equityNeeds } from './equityChanges.ts';
import type { Ground } from './ground.ts';
import { coveredOn } from './groundProofs.ts';
import type { VectorNeed } from './need.ts';
import type { ColumnsPlan, StatementPlan } from './plan.ts';
import { amountsOver, type RanAmounts, ranAmounts, runColumns, vectorsNeeded } from './runColumns.ts';
import { generatedOn } from './runLayouts.ts';
import type { Vectors } from './vectors.ts';

/** A statement of a set. */
export interface SetStatement<Of extends StatementPlan = StatementPlan> {
  /** Of its part. */
  readonly key: string;
  readonly statement: Of;
}

export type RanInSet = SetStatement<StatementPlan & { readonly runs: readonly RunColumn[] }>;

const ends: Wanted = { opening: true, movement: true, closing: true, flows: false, withoutCash: false };

/** What the proofs of a set need beside what its statements are run on. */
export function setProofNeeds(statements: readonly SetStatement[]): VectorNeed[] {
  const [sheets, incomes] = [ofKind(statements, 'balance_sheet'), ofKind(statements, 'income_statement')];
  const cash = ofKind(statements, 'cash_flow').flatMap(({ statement }) =>
    movementsOf(statement).flatMap((column) => {
      const { opening, movement, closing } = cashNeeds(statement, column);
      return [opening, movement, closing];
    }),
  );
  return [
    ...vectorsNeeded(sheets.flatMap((sheet) => incomes.map((income) => profitPlan(sheet.statement, income.statement)))),
    ...cash,
    ...ofKind(statements, 'changes_in_equity').flatMap(({ statement }) => equityNeeds(statement)),
  ];
}

/** Each balance sheet in another currency over its fiscal years to date: the spans whose difference of translation has to be explained. */
export function translatedSpans({ statement }: SetStatement): readonly { readonly column: AmountColumn; readonly span: Span }[] {
  const { ground, columns } = statement;
  if (ground.money.in === 'own') return [];
  return columns.flatMap((column) => {
    if (column.kind !== 'amount' || column.measure !== 'closing' || unprovableOf(column) !== null) return [];
    return [{ column, span: yearToDate(ground, column.span) }];
  });
}

/**
 * What the statements of a set prove together, made of what their lines hold: both sides of each balance sheet; the result of each
 * balance sheet and each income statement over its fiscal year to date; the change of each cash flow, of cash, and of cash in the
 * balance sheet of the set (the generated one where it has none); and that every account stands in each statement once.
 * `translations`: what explains the differences of `translatedSpans`.
 */
export function proveSetOf(statements: readonly RanInSet[], vectors: Vectors, translations: readonly SetTranslation[]): readonly SetProof[] {
  const [sheets, incomes] = [ofKind(statements, 'balance_sheet'), ofKind(statements, 'income_statement')];
  const proofs: SetProof[] = [];
  if (sheets.length > 0)
    proofs.push(proveBothSides(sheets.flatMap((sheet) => ranAmounts(sheet.statement, sheet.statement.runs).map((ran) => bothSides(sheet, ran)))));
  if (sheets.length > 0 && incomes.length > 0)
    proofs.push(
      proveSame(
        'profit',
        sheets.flatMap((sheet) => incomes.flatMap((income) => profitTies(sheet, income, vectors))),
      ),
    );
  const cash = ofKind(statements, 'cash_flow').flatMap((cashFlow) => cashTies(sheets[0], cashFlow, vectors));
  if (cash.length > 0) proofs.push(proveSame('cash', cash));
  const equity = ofKind(statements, 'changes_in_equity').flatMap((changes) => equityTies(sheets[0], changes, vectors));
  if (equity.length > 0) proofs.push(proveEquityChanges(equity));
  if (translations.length > 0) proofs.push(proveTranslation(translations));
  proofs.push(proveSetCoverage(statements.map(faultsOf)));
  return proofs;
}

function ofKind<One extends SetStatement>(statements: readonly One[], kind: CompiledLayout['layout']['kind']): One[] {
  return statements.filter(({ statement }) => statement.compiled.layout.kind === kind);
}

function unprovableOf({ budgetId, facets, placedOn, began, measure }: AmountColumn): Unprovable | null {
  if (budgetId !== undefined) return 'budget';
  if (began !== undefined && measure !== 'closing') return 'first_balances';
  return facets !== undefined ? 'facets' : placedOn !== undefined ? 'placement' : null;
}

function bothSides({ key, statement: { compiled } }: RanInSet, { column, run }: RanAmounts): SetTie {
  const figures = [
    { name: 'debit_side' as const, part: key, net: netByLines(compiled, run, 'debit') },
    { name: 'credit_side' as const, part: key, net: netByLines(compiled, run, 'credit') },
  ];
  return { part: key, day: column.span.lastDay, figures, unprovable: unprovableOf(column) };
}

function yearToDate({ calendar }: Ground, { firstDay, lastDay }: Span): Span {
  return { firstDay: yearOf(calendar, lastDay)?.firstDay ?? firstDay, lastDay };
}

/** An income statement over the fiscal year to date of each closing column of a balance sheet. */
function profitPlan(sheet: StatementPlan, income: StatementPlan): ColumnsPlan {
  const columns = sheet.columns.flatMap((column): AmountColumn[] =>
    column.kind === 'amount' && column.measure === 'closing' ? [{ ...column, measure: 'movement', span: yearToDate(sheet.ground, column.span) }] : [],
  );
  return { ...income, columns };
}

function profitTies(sheet: RanInSet, income: RanInSet, vectors: Vectors): SetTie[] {
  const { compiled } = income.statement;
  const runs = runColumns(profitPlan(sheet.statement, income.statement), vectors);
  const closing = ranAmounts(sheet.statement, sheet.statement.runs).filter(({ column }) => column.measure === 'closing');
  return closing.map(({ column, run }, at) => ({
    part: sheet.key,
    day: column.span.lastDay,
    figures: [
      { name: 'result' as const, part: sheet.key, net: resultIn(sheet.statement.compiled, run) },
      { name: 'profit' as const, part: income.key, net: netByLines(compiled, runs[at] as RunColumn) },
    ],
    unprovable: unprovableOf(column),
  }));
}

function resultIn({ lines }: CompiledLayout, { amounts }: RunColumn): bigint {
  return lines.reduce((sum, line, index) => (line.kind === 'result' && countsInGroup(line) ? sum + (amounts[index] as bigint) : sum), 0n);
}

function movementsOf({ columns }: Pick<ColumnsPlan, 'columns'>): AmountColumn[] {
  return columns.flatMap((column) => (column.kind === 'amount' && column.measure === 'movement' ? [column] : []));
}

function cashNeeds({ ground }: ColumnsPlan, { facets: _, ...column }: AmountColumn): SpanNeeds {
  return spanNeeds({ ground, facets: {} }, column);
}

function cashTies(sheet: RanInSet | undefined, { key, statement }: RanInSet, vectors: Vectors): SetTie[] {
  const { ground, compiled } = statement;
  const balanceSheet = sheet?.statement.compiled ?? generatedOn(ground).balance_sheet;
  return ranAmounts(statement, statement.runs).flatMap(({ column, run }): SetTie[] => {
    if (column.measure !== 'movement') return [];
    const { opening, movement, closing } = amountsOver(ground, vectors, cashNeeds(statement, column), ends);
    const figures = [
      { name: 'change_by_lines' as const, part: key, net: changeByLines(compiled, run) },
      { name: 'cash_moved' as const, part: null, net: cashMoved(compiled, opening, movement) },
      {
        name: 'cash_in_balance_sheet' as const,
        part: sheet?.key ?? null,
        net:
          cashIn(balanceSheet, cashOn(compiled, ground, column.span.lastDay), putTogether(ground, closing)).net -
          cashIn(balanceSheet, cashOn(compiled, ground, addDays(column.span.firstDay, -1)), putTogether(ground, opening)).net,
      },
    ];
    return [{ part: key, day: column.span.lastDay, figures, unprovable: unprovableOf(column) }];
  });
}

function equityTies(sheet: RanInSet | undefined, { key, statement }: RanInSet, vectors: Vectors): SetEquityChange[] {
  const balanceSheet = sheet?.statement.compiled ?? generatedOn(statement.ground).balance_sheet;
  return equityChanges(statement, statement.runs, balanceSheet, vectors).map((change) => ({
    ...change,
    part: key,
    sheet: sheet?.key ?? null,
    unprovable: unprovableOf(change.column),
  }));
}

function faultsOf({ key, statement: { ground, compiled, scope, layoutId, columns, runs } }: RanInSet): SetFaults {
  const at = columns.findIndex((column) => column.kind === 'amount' && unprovableOf(column) === null);
  const run = runs[runIndexOf(columns, at)];
  if (!run || scope.length === 0) return { part: key, accounts: [] };
  const { faults } = layoutCoverage(compiled, scope, coveredOn(ground, layoutId), run.net, ground.lists, run.readings);
  return { part: key, accounts: faults.filter((fault) => fault.net !== 0n).map(({ account, state, net }) => ({ account, reason: state, net })) };
}
