import {
  type AccountAmounts,
  type AmountColumn,
  amountsOver,
  budgetInput,
  budgetNeeds,
  type FacetFilter,
  fail,
  type Ground,
  type Layout,
  listNeeds,
  mainLanguageOf,
  nameColumn,
  type Outcome,
  planColumns,
  type StatementColumn,
  spanNeeds,
  succeed,
  type VectorNeed,
  type Vectors,
} from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { openBooks, unknownIn, withFreshBooks } from './openBooks.ts';
import { PlanningDesk } from './planningDesk.ts';
import type { Books, Ports } from './ports/index.ts';
import { type ColumnChoice, comparisonOf } from './prepareStatement.ts';
import { provideVectors } from './provideVectors.ts';

export interface LayoutFigures {
  readonly books: Books;
  readonly columns: readonly StatementColumn[];
  /** One for each column of amounts. */
  readonly amounts: readonly AccountAmounts[];
}

type FiguresChoice = ColumnChoice & {
  readonly plan: NonNullable<ColumnChoice['plan']>;
  readonly kind: Layout['kind'];
  readonly measure: 'closing' | 'movement';
  readonly facets: FacetFilter;
  readonly flows: boolean;
};

/** What every account has in the columns of a plan: a layout that is being composed is run over it on the screen. Accounts stand where they stand today. */
export function viewLayoutFigures(ports: Ports, { companyId }: Access, choice: FiguresChoice): Promise<Outcome<LayoutFigures, Failure>> {
  return withFreshBooks(async () => {
    const comparison = comparisonOf(choice);
    if (!comparison.ok) return comparison;
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const refused = unknownIn(choice.facets, books);
    if (refused) return fail(refused);
    const desk = new PlanningDesk(ports, books);
    const ground = desk.ground(books.classificationId);
    const { kind, measure, plan, planId, definition, budget, adjusting } = choice;
    const over = { span: { firstDay: choice.from, lastDay: choice.to }, comparison: comparison.value, adjusting };
    const layout = { kind, measure, language: mainLanguageOf(ground) };
    const planned = await desk.plan(() => planColumns(ground, desk.definitions, layout, { plan, planId, definition, budgetId: budget }, over));
    if (!planned.ok) return planned;
    const columns: StatementColumn[] = [];
    for (const column of planned.value) {
      const named = column.kind === 'amount' ? await desk.plan(() => nameColumn(desk.definitions, ground, asToday(column))) : succeed(column);
      if (!named.ok) return named;
      columns.push(named.value);
    }
    const amounts = columns.flatMap((column) => (column.kind === 'amount' ? [column] : []));
    const vectors = await provideVectors(
      ports,
      books,
      amounts.flatMap((column) => needsIn(ground, column, choice)),
    );
    if (!vectors.ok) return vectors;
    return succeed({ books, columns, amounts: amounts.map((column) => amountsIn(ground, column, choice, vectors.value)) });
  });
}

function asToday({ placedOn: _, ...column }: AmountColumn): AmountColumn {
  return column;
}

function needsIn(ground: Ground, column: AmountColumn, { facets, flows }: FiguresChoice): VectorNeed[] {
  if (column.budgetId !== undefined) return listNeeds(budgetNeeds(ground, column));
  const over = spanNeeds({ ground, facets }, column);
  return [over.opening, over.movement, over.closing, ...(flows ? [over.flows] : [])];
}

function amountsIn(ground: Ground, column: AmountColumn, { facets, flows }: FiguresChoice, vectors: Vectors): AccountAmounts {
  const { measure, budgetId } = column;
  if (budgetId !== undefined) {
    const { net, notAllotted } = budgetInput(ground, budgetNeeds(ground, column), vectors, column);
    const nothing = new BigInt64Array(net.length);
    return { opening: nothing, movement: nothing, closing: nothing, [measure]: net, notAllotted };
  }
  const over = spanNeeds({ ground, facets }, column);
  const amounts = amountsOver(ground, vectors, over, { opening: true, movement: true, closing: true, flows });
  return measure === 'opening' ? { ...amounts, notAllotted: vectors.of(over.opening).notAllotted } : amounts;
}
