import { facetKey } from '../facet/facetFilter.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import { equityIn } from '../proofs/heldIn.ts';
import type { EquityChange } from '../proofs/proveEquity.ts';
import { netByLines } from '../statement/netByLines.ts';
import { type RunColumn, resultOf } from '../statement/runColumn.ts';
import type { AmountColumn } from '../statement/statement.ts';
import { spanNeeds } from './columnNeeds.ts';
import { accountById, type Ground } from './ground.ts';
import type { VectorNeed } from './need.ts';
import type { ColumnsPlan } from './plan.ts';
import { ranAmounts } from './runColumns.ts';
import { wide } from './standIns.ts';
import type { Vectors } from './vectors.ts';

/** Columns over all equity: what stands beside those of its categories. */
function isOfAllEquity({ equity, measure }: AmountColumn): boolean {
  return equity === undefined && measure === 'movement';
}

/** Balances at both ends of each column over all equity of changes in equity. */
export function equityNeeds(plan: Pick<ColumnsPlan, 'ground' | 'columns'>): VectorNeed[] {
  return plan.columns.flatMap((column) => (column.kind === 'amount' && isOfAllEquity(column) ? endsOf(plan.ground, column) : []));
}

function endsOf(ground: Ground, { facets: _, ...column }: AmountColumn): [opening: VectorNeed, closing: VectorNeed] {
  const { opening, closing } = spanNeeds({ ground, facets: {} }, column);
  return [opening, closing];
}

/** Each column over all equity, beside what a balance sheet held at its ends and what the columns of categories over the same lines come to. */
export function equityChanges(
  plan: Pick<ColumnsPlan, 'ground' | 'compiled' | 'columns'>,
  runs: readonly RunColumn[],
  balanceSheet: CompiledLayout,
  vectors: Vectors,
): readonly (EquityChange & { readonly column: AmountColumn })[] {
  const { ground, compiled } = plan;
  const columns = ranAmounts(plan, runs).map(({ column, run }) => ({ column, lines: linesOf(column), net: netByLines(compiled, run) }));
  const byCategory = new Map<string, bigint>();
  for (const { column, lines, net } of columns) if (column.equity !== undefined) byCategory.set(lines, (byCategory.get(lines) ?? 0n) + net);
  const byId = accountById(ground);
  const equity = ground.accountIds.flatMap((id, at) => (byId.get(id)?.element === 'equity' ? [at] : []));
  const held = (need: VectorNeed): bigint => {
    const vector = vectors.of(need);
    const balances = { ...vector, net: wide(ground, vector.net) };
    return equityIn(balanceSheet, equity, balances, resultOf(balances.net, ground.traits.resets));
  };
  return columns.flatMap(({ column, lines, net }) => {
    if (!isOfAllEquity(column)) return [];
    const [opening, closing] = endsOf(ground, column);
    return [{ column, day: column.span.lastDay, opening: held(opening), closing: held(closing), changes: net, byColumns: byCategory.get(lines) ?? null }];
  });
}

/** The same for columns over the same lines of the ledger. */
function linesOf({ span, facets = {}, withoutAdjustments, budgetId }: AmountColumn): string {
  return [span.firstDay, span.lastDay, withoutAdjustments ?? false, budgetId ?? 0, facetKey(facets)].join(' ');
}
