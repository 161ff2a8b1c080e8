import {
  type Comparison,
  comparisonSpan,
  type Day,
  layers,
  movementOver,
  type Outcome,
  type RehearsedLedger,
  type RehearsedSpan,
  rehearsalNeeds,
  type Span,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { balancesFor, booksOfAdjusting, openClassified, partialsFor } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports } from '../ports/index.ts';
import { comparisonOf, groundOf, provideVectors, type SpanChoice } from '../statements/index.ts';
import { leftOutOf } from './leftOut.ts';

export interface PlacementOverview {
  readonly books: Books;
  readonly span: Span;
  readonly comparative: Span;
  readonly balanceComparative: string;
  /** Of the span and of its comparative, by dense number. */
  readonly columns: readonly [OverviewColumn, OverviewColumn];
}

/** One date's amounts by dense number of the account, debit positive. */
interface OverviewColumn {
  /** Balance of balance sheet accounts, movement over the span of income and expense. */
  readonly net: BigInt64Array;
  /** Balances at the span's last day; of income and expense those of the fiscal year to date. */
  readonly balances: BigInt64Array;
  readonly notAllotted: bigint;
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
  const { span, moved: income, day: balance } = comparedSpans(books, choice, comparison);
  const partial = await partialsFor(ports, books, [span, income, { firstDay: balance, lastDay: balance }]);
  const column = (movement: Span, day: string): OverviewColumn => {
    const moved = movementOver(books.cube, layers, movement, partial);
    const { net: balances, notAllotted } = balancesFor(books, day, partial);
    return { balances, notAllotted, net: balances.map((amount, account) => (books.traits.resets[account] === 1 ? (moved[account] as bigint) : amount)) };
  };
  return { books, span, comparative: income, balanceComparative: balance, columns: [column(span, span.lastDay), column(income, balance)] };
}

/** The span, and its comparative: what moved, and the day of balances. */
function comparedSpans(
  { calendar }: Books,
  { from, to }: SpanChoice,
  comparison: Comparison,
): { readonly span: Span; readonly moved: Span; readonly day: Day } {
  const span: Span = { firstDay: from, lastDay: to };
  const chosen = comparison.kind === 'none' ? ({ kind: 'usual' } as const) : comparison;
  const of = (kind: 'income_statement' | 'balance_sheet'): Span => comparisonSpan(chosen, kind, span, calendar) ?? span;
  return { span, moved: of('income_statement'), day: of('balance_sheet').lastDay };
}

/** What a change of the placement is run over, for the span that somebody looks at and its comparative. */
export async function rehearsedLedger(ports: Ports, opened: Books, choice: SpanChoice): Promise<Outcome<RehearsedLedger, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const ground = groundOf(opened);
  const { span, moved, day } = comparedSpans(opened, choice, comparison.value);
  const spans: RehearsedSpan[] = [
    { moved: span, day: span.lastDay, ...(choice.adjusting === undefined ? {} : { adjusting: choice.adjusting }) },
    { moved, day },
  ];
  const vectors = await provideVectors(ports, opened, rehearsalNeeds(ground, spans));
  return vectors.ok ? succeed({ ground, spans, vectors: vectors.value, leftOut: leftOutOf(opened) }) : vectors;
}
