import {
  type Outcome,
  type Proof,
  planProofs,
  planStatement,
  proofNeeds,
  proveBalances,
  proveGround,
  proveOwnTotals,
  runColumns,
  statementTies,
  succeed,
  vectorsNeeded,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openClassified, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports } from '../ports/index.ts';
import { PlanningDesk } from './planningDesk.ts';
import { comparisonOf, requestFor, type SpanChoice } from './prepareStatement.ts';
import { provideVectors } from './provideVectors.ts';
import { runningLayouts } from './runningLayouts.ts';

export interface Proofs {
  readonly books: Books;
  readonly proofs: readonly Proof[];
}

/** Every proof of the statements, for the chosen day or span and its comparative; of a composed one with its own totals first. */
export function proveStatements(
  ports: Ports,
  { companyId }: Access,
  choice: SpanChoice & { readonly layout?: number | undefined },
): Promise<Outcome<Proofs, Failure>> {
  return withFreshBooks(async () => {
    const comparison = comparisonOf(choice);
    if (!comparison.ok) return comparison;
    const opened = await openClassified(ports, companyId, choice.classification);
    if (!opened.ok) return opened;
    const books = opened.value;
    const desk = new PlanningDesk(ports, books);
    const ground = desk.ground(books.classificationId);
    const span = { firstDay: choice.from, lastDay: choice.to };
    const plan = planProofs(ground, {
      span,
      comparison: comparison.value,
      adjusting: choice.adjusting,
      layouts: await runningLayouts(desk, books.classificationId),
    });
    const vectors = await provideVectors(ports, books, proofNeeds(plan));
    if (!vectors.ok) return vectors;
    const own = choice.layout === undefined ? succeed(null) : await proveComposed(ports, desk, choice.layout, choice);
    if (!own.ok) return own;
    const differences = await ports.ledger.differencesFromLines(books);
    return succeed({
      books,
      proofs: [
        ...(own.value ? [own.value] : []),
        ...proveGround(plan, vectors.value),
        ...(differences ? [proveBalances([...differences].map(([accountId, net]) => ({ account: books.cube.indexOf.get(accountId) as number, net })))] : []),
      ],
    });
  });
}

/** A composed balance sheet or income statement by its own totals; `null` for others, and where none of its columns has to tie. */
async function proveComposed(ports: Ports, desk: PlanningDesk, layoutId: number, choice: SpanChoice): Promise<Outcome<Proof | null, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const plan = await desk.plan(() => planStatement(desk, requestFor(desk.books, layoutId, { ...choice, plan: 'comparison' }, comparison.value)));
  if (!plan.ok) return plan;
  const { kind } = plan.value.compiled.layout;
  if (kind !== 'balance_sheet' && kind !== 'income_statement') return succeed(null);
  const vectors = await provideVectors(ports, desk.books, vectorsNeeded([plan.value]), plan.value.ratesNeeded);
  if (!vectors.ok) return vectors;
  const ties = statementTies(plan.value, runColumns(plan.value, vectors.value));
  const columns = ties.flatMap(({ column, totals }) => (totals ? [{ day: column.span.lastDay, totals }] : []));
  return succeed(columns.length === 0 ? null : proveOwnTotals(kind, columns));
}
