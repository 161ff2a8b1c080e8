import {
  type Comparison,
  comparisonSpan,
  layers,
  movementOver,
  type Outcome,
  type RehearsedColumn,
  type RehearsedLedger,
  type Span,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from './access.ts';
import { accountsInOrder } from './accountsInOrder.ts';
import { booksOfAdjusting } from './adjustingBooks.ts';
import { balancesFor } from './balancesFor.ts';
import type { Failure } from './failure.ts';
import { openClassified } from './inClassification.ts';
import { leftOutOf } from './leftOut.ts';
import { mainLanguage } from './mainLanguage.ts';
import { partialsFor } from './partialLines.ts';
import type { Books, Ports } from './ports/index.ts';
import { comparisonOf, type SpanChoice } from './prepareStatement.ts';

export interface PlacementOverview {
  readonly books: Books;
  readonly span: Span;
  readonly comparative: Span;
  readonly balanceComparative: string;
  /** Of the span and of its comparative, by dense number. */
  readonly columns: readonly [RehearsedColumn, RehearsedColumn];
}

/** Amounts beside the categories: each account's own measure for the span and its comparison. */
export async function viewPlacement(ports: Ports, { companyId }: Access, choice: SpanChoice): Promise<Outcome<PlacementOverview, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openClassified(ports, companyId, choice.classification);
  return opened.ok ? succeed(await overlook(ports, opened.value, choice, comparison.value)) : opened;
}

async function overlook(ports: Ports, opened: Books, choice: SpanChoice, comparison: Comparison): Promise<PlacementOverview> {
  const books = booksOfAdjusting(opened, choice.to, choice.adjusting);
  const span: Span = { firstDay: choice.from, lastDay: choice.to };
  const chosen = comparison.kind === 'none' ? ({ kind: 'usual' } as const) : comparison;
  const income = comparisonSpan(chosen, 'income_statement', span, books.calendar) ?? span;
  const balance = comparisonSpan(chosen, 'balance_sheet', span, books.calendar) ?? span;
  const partial = await partialsFor(ports, books, [span, income, balance]);
  const column = (movement: Span, day: string): RehearsedColumn => {
    const moved = movementOver(books.cube, layers, movement, partial);
    const { net: balances, notAllotted } = balancesFor(books, day, partial);
    return { balances, notAllotted, net: balances.map((amount, account) => (books.traits.resets[account] === 1 ? (moved[account] as bigint) : amount)) };
  };
  return { books, span, comparative: income, balanceComparative: balance.lastDay, columns: [column(span, span.lastDay), column(income, balance.lastDay)] };
}

/** What a change of the placement is run over, for the span that somebody looks at and its comparative. */
export async function rehearsedLedger(ports: Ports, books: Books, choice: SpanChoice): Promise<Outcome<RehearsedLedger, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const { span, columns } = await overlook(ports, books, choice, comparison.value);
  return succeed({
    accounts: accountsInOrder(books),
    accountIds: books.cube.accountIds,
    resets: books.traits.resets,
    span,
    options: books.options,
    retainedEarningsId: books.retainedEarningsId,
    leftOut: leftOutOf(books),
    language: mainLanguage(books.company),
    columns,
  });
}
