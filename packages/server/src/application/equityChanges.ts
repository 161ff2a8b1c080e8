import { type AmountColumn, type CompiledLayout, type EquityChange, facetKey, type Layer, layers, netByLines } from '@ivory-ladder/core';
import { equityAtEnds } from './equityAtEnds.ts';
import type { Books, Ports } from './ports/index.ts';
import { ranAmounts } from './ranAmounts.ts';
import type { RanColumns } from './runColumns.ts';

/** Each column over all equity of changes in equity, beside what a balance sheet held at its ends and what the columns of categories over the same lines come to. */
export async function equityChanges(
  ports: Pick<Ports, 'ledger'>,
  books: Books,
  balanceSheet: CompiledLayout,
  compiled: CompiledLayout,
  ran: Pick<RanColumns, 'columns' | 'runs'>,
): Promise<readonly (EquityChange & { readonly column: AmountColumn })[]> {
  const columns = ranAmounts(ran).map(({ column, run }) => ({ column, lines: linesOf(column), net: netByLines(compiled, run) }));
  const byCategory = new Map<string, bigint>();
  for (const { column, lines, net } of columns) if (column.equity !== undefined) byCategory.set(lines, (byCategory.get(lines) ?? 0n) + net);
  const changes: (EquityChange & { readonly column: AmountColumn })[] = [];
  for (const { column, lines, net } of columns) {
    if (column.equity !== undefined || column.measure !== 'movement') continue;
    const chosen: readonly Layer[] = column.withoutAdjustments ? ['ledger'] : layers;
    const ends = await equityAtEnds(ports, books, balanceSheet, column.span, chosen);
    changes.push({ column, day: column.span.lastDay, ...ends, changes: net, byColumns: byCategory.get(lines) ?? null });
  }
  return changes;
}

/** The same for columns over the same lines of the ledger. */
function linesOf({ span, facets = {}, withoutAdjustments, budgetId }: AmountColumn): string {
  return [span.firstDay, span.lastDay, withoutAdjustments ?? false, budgetId ?? 0, facetKey(facets)].join(' ');
}
