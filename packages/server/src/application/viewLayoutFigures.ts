import type { AccountAmounts, ColumnPlan, FacetFilter, Outcome, PlainColumn } from '@ivory-ladder/core';
import { succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { openBooksOf } from './openBooks.ts';
import type { Books, Ports } from './ports/index.ts';
import { columnsOf, comparisonOf, type SpanChoice } from './prepareStatement.ts';
import { amountsOver } from './readingVectors.ts';

export interface LayoutFigures {
  readonly books: Books;
  readonly columns: readonly PlainColumn[];
  /** One for each column of amounts. */
  readonly amounts: readonly AccountAmounts[];
}

/** What every account has in the columns of a plan: a layout that is being composed is run over it on the screen. */
export async function viewLayoutFigures(
  ports: Ports,
  { companyId }: Access,
  choice: SpanChoice & {
    readonly plan: Exclude<ColumnPlan, 'budget'>;
    readonly measure: 'closing' | 'movement';
    readonly facets: FacetFilter;
    readonly flows: boolean;
  },
): Promise<Outcome<LayoutFigures, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openBooksOf(ports, companyId, choice.facets);
  if (!opened.ok) return opened;
  const books = opened.value;
  const columns = columnsOf(books, choice.measure, comparison.value, choice.plan, { firstDay: choice.from, lastDay: choice.to });
  if (!columns.ok) return columns;
  const amounts: AccountAmounts[] = [];
  for (const column of columns.value) if (column.kind === 'amount') amounts.push(await amountsOver(ports, books, column.span, choice.flows));
  return succeed({ books, columns: columns.value, amounts });
}
