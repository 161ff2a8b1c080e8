import {
  balanceAt,
  comparisonSpan,
  type Day,
  filterText,
  grossOver,
  layers,
  movementOver,
  type Outcome,
  type PartialLines,
  type Span,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { booksOfAdjusting, openBooksOf, partialsFor } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports, TrialBalanceLine, TrialBalanceView } from '../ports/index.ts';
import { comparisonOf, type SpanChoice } from './prepareStatement.ts';

/** Opening + movement + carried over = closing, for every account in chart order; both layers together. */
export async function viewTrialBalance(ports: Ports, { companyId }: Access, choice: SpanChoice): Promise<Outcome<TrialBalanceView, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openBooksOf(ports, companyId, choice.facets ?? {});
  if (!opened.ok) return opened;
  const books = booksOfAdjusting(opened.value, choice.to, choice.adjusting);
  const span: Span = { firstDay: choice.from, lastDay: choice.to };
  const [before, beforeResult] = (['balance_sheet', 'income_statement'] as const).map((kind) => comparisonSpan(comparison.value, kind, span, books.calendar));
  const comparedTo = before && beforeResult ? { balances: before.lastDay, result: beforeResult.lastDay } : null;
  const partial = await partialsFor(ports, books, [span, ...(before && beforeResult ? [before, beforeResult] : [])]);
  const opening = balanceAt(books.cube, books.traits, layers, span.firstDay, partial, { atBeginning: true });
  const closing = balanceAt(books.cube, books.traits, layers, span.lastDay, partial);
  const adjustments = balanceAt(books.cube, books.traits, ['adjustment'], span.lastDay, partial);
  const comparative = comparedTo && comparativeBalances(books, comparedTo, partial);
  const movement = movementOver(books.cube, layers, span, partial);
  const gross = grossOver(books.cube, layers, span, partial);
  const lines = books.tree.order.map((account, at): TrialBalanceLine => {
    const index = books.cube.indexOf.get(account.id) as number;
    const [from, moved, to] = [opening.net[index] as bigint, movement[index] as bigint, closing.net[index] as bigint];
    return {
      account,
      depth: books.tree.depth[at] as number,
      opening: from,
      debit: gross.debit[index] as bigint,
      credit: gross.credit[index] as bigint,
      carried: to - from - moved,
      closing: to,
      adjustments: adjustments.net[index] as bigint,
      comparative: comparative?.[index] ?? null,
    };
  });
  const part = filterText(choice.facets ?? {}, books.lists);
  return succeed({ books, lines, notAllotted: closing.notAllotted, span, part, comparedTo });
}

/** Income and expense of a comparative are those of its fiscal year up to its own day. */
function comparativeBalances({ cube, traits }: Books, { balances, result }: { balances: Day; result: Day }, partial: PartialLines): BigInt64Array {
  const [atBalances, atResult] = [balances, result].map((day) => balanceAt(cube, traits, layers, day, partial).net) as [BigInt64Array, BigInt64Array];
  return atBalances.map((net, account) => (traits.resets[account] === 1 ? (atResult[account] as bigint) : net));
}
