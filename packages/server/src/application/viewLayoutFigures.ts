import {
  type AccountAmounts,
  type AmountColumn,
  balanceAt,
  type FacetFilter,
  type Layer,
  type Layout,
  layers,
  type Outcome,
  type StatementColumn,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { mainLanguage } from './mainLanguage.ts';
import { openBooksOf } from './openBooks.ts';
import { partialsFor } from './partialLines.ts';
import { type PlannedColumns, plannedColumns } from './plannedColumns.ts';
import type { Books, Ports } from './ports/index.ts';
import { comparisonOf, type SpanChoice } from './prepareStatement.ts';
import { amountsOver, narrowFurther } from './readingVectors.ts';
import { budgetedAmounts, withBeginning } from './runColumns.ts';

export interface LayoutFigures {
  readonly books: Books;
  readonly columns: readonly StatementColumn[];
  /** One for each column of amounts. */
  readonly amounts: readonly AccountAmounts[];
}

type FiguresChoice = SpanChoice &
  PlannedColumns & {
    readonly kind: Layout['kind'];
    readonly measure: 'closing' | 'movement';
    readonly facets: FacetFilter;
    readonly flows: boolean;
  };

/** What every account has in the columns of a plan: a layout that is being composed is run over it on the screen. Accounts stand where they stand today. */
export async function viewLayoutFigures(ports: Ports, { companyId }: Access, choice: FiguresChoice): Promise<Outcome<LayoutFigures, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openBooksOf(ports, companyId, choice.facets);
  if (!opened.ok) return opened;
  const books = opened.value;
  const layout = { books, measure: choice.measure, kind: choice.kind, language: mainLanguage(books.company) };
  const planned = await plannedColumns(ports, layout, choice, comparison.value, { firstDay: choice.from, lastDay: choice.to });
  if (!planned.ok) return planned;
  const columns: StatementColumn[] = [];
  const amounts: AccountAmounts[] = [];
  // Categories of equity have columns over the same lines and days.
  const known = new Map<string, ReturnType<typeof amountsIn>>();
  for (const column of planned.value) {
    if (column.kind !== 'amount') {
      columns.push(column);
      continue;
    }
    const { placedOn: _, ...asToday } = withBeginning(books, column);
    const { measure, span, budgetId, facets, withoutAdjustments } = column;
    const key = JSON.stringify([measure, span, budgetId, facets, withoutAdjustments]);
    const adding = known.get(key) ?? amountsIn(ports, books, column, choice);
    known.set(key, adding);
    const found = await adding;
    if (!found.ok) return found;
    columns.push(column.budgetId === undefined ? asToday : { ...asToday, budget: found.value.budget });
    amounts.push(found.value.amounts);
  }
  return succeed({ books, columns, amounts });
}

async function amountsIn(
  ports: Ports,
  books: Books,
  column: AmountColumn,
  { facets, flows }: FiguresChoice,
): Promise<Outcome<{ readonly amounts: AccountAmounts; readonly budget: string }, Failure>> {
  const { measure, span, budgetId, withoutAdjustments } = column;
  if (budgetId !== undefined) {
    const budgeted = await budgetedAmounts(ports, books, column);
    if (!budgeted.ok) return budgeted;
    const { name, net, notAllotted } = budgeted.value;
    const nothing = new BigInt64Array(net.length);
    return succeed({ budget: name, amounts: { opening: nothing, movement: nothing, closing: nothing, [measure]: net, notAllotted } });
  }
  const narrowed = column.facets === undefined ? succeed(books) : await narrowFurther(ports, books, facets, column.facets);
  if (!narrowed.ok) return narrowed;
  const chosen: readonly Layer[] = withoutAdjustments ? ['ledger'] : layers;
  const amounts = await amountsOver(ports, narrowed.value, span, flows, chosen);
  if (measure !== 'opening') return succeed({ budget: '', amounts });
  const { cube, traits } = narrowed.value;
  const { notAllotted } = balanceAt(cube, traits, chosen, span.firstDay, await partialsFor(ports, narrowed.value, [span]), { atBeginning: true });
  return succeed({ budget: '', amounts: { ...amounts, notAllotted } });
}
