import {
  addDays,
  balanceAt,
  type CashColumn,
  type CompiledLayout,
  cashIn,
  cashMoved,
  changeByLines,
  elements,
  layers,
  layoutCoverage,
  movementOver,
  type Outcome,
  type Proof,
  proveCash,
  type Span,
  succeed,
} from '@ivory-ladder/core';
import { accountsInOrder } from './accountsInOrder.ts';
import { cashOn, splitByDaysOfCash, withDaysOfCash } from './besideCash.ts';
import { runningLayouts } from './composedLayouts.ts';
import type { Failure } from './failure.ts';
import { partialsFor } from './partialLines.ts';
import type { Books, Ports } from './ports/index.ts';
import { layoutsOf } from './prepareStatement.ts';
import { booksOfReadings, vectorsOfReadings } from './readingVectors.ts';
import { runOver } from './runColumns.ts';

/** In every cash flow that runs over the categories which the books show, each account but cash explains the change of cash; `null` where no account is cash. */
export async function proveCashFlows(ports: Ports, opened: Books, spans: readonly Span[]): Promise<Outcome<Proof | null, Failure>> {
  const books = withDaysOfCash(opened);
  const { balance_sheet: balanceSheet, cash_flow: generated } = layoutsOf(books);
  if ((generated.layout.cash?.accounts.length ?? 0) === 0) return succeed(null);
  const composed = (await runningLayouts(ports, books)).filter(({ own }) => own.kind === 'cash_flow');
  const cashFlows = [{ name: null, compiled: generated }, ...composed.map(({ record, compiled }) => ({ name: record.name, compiled }))];
  const partial = await partialsFor(ports, books, spans);
  const spanned = spans.map((span) => ({
    span,
    opening: balanceAt(books.cube, books.traits, layers, span.firstDay, partial, { atBeginning: true }).net,
    closing: balanceAt(books.cube, books.traits, layers, span.lastDay, partial).net,
    movement: movementOver(books.cube, layers, span, partial),
    notAllotted: 0n,
  }));
  const columns: CashColumn[] = [];
  for (const { name, compiled } of cashFlows) {
    const parts = await booksOfReadings(ports, books, {}, compiled.readings);
    if (!parts.ok) return parts;
    for (const { span, ...whole } of spanned) {
      const { opening, closing } = whole;
      const own = splitByDaysOfCash(books, span, whole);
      const readings = await vectorsOfReadings(ports, compiled.readings, parts.value, 'movement', span);
      const run = runOver(books, compiled, { measure: 'movement', span }, partial, readings);
      const atEnd = cashIn(balanceSheet, cashOn(compiled, books, span.lastDay), closing);
      columns.push({
        layout: name,
        day: span.lastDay,
        byLines: changeByLines(compiled, run),
        moved: cashMoved(compiled, own.opening, own.movement),
        inBalanceSheet: atEnd.net - cashIn(balanceSheet, cashOn(compiled, books, addDays(span.firstDay, -1)), opening).net,
        strangers: atEnd.strangers,
        atFault: accountsAtFault(books, compiled, own.movement, readings),
      });
    }
  }
  return succeed(proveCash(columns));
}

function accountsAtFault(books: Books, compiled: CompiledLayout, movement: BigInt64Array, readings: readonly BigInt64Array[]): CashColumn['atFault'] {
  const accounts = accountsInOrder(books).map(({ account, index, isParent }) => ({ account: index, element: account.element, isParent }));
  return layoutCoverage(compiled, elements, accounts, movement, books.lists, readings)
    .faults.filter(({ net }) => net !== 0n)
    .map(({ account, state, net }) => ({ account, reason: state, net }));
}
