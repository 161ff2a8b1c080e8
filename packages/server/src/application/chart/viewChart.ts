import { type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import type { Failure } from '../failure.ts';
import { type PlacementOverview, viewPlacement } from '../placement/index.ts';
import type { Ports } from '../ports/index.ts';
import type { SpanChoice } from '../statements/index.ts';

export interface ChartOverview extends PlacementOverview {
  readonly lastUsed: ReadonlyMap<number, string>;
  /** What was written about each account, newest first. */
  readonly notes: ReadonlyMap<number, readonly string[]>;
}

/** Every account with its place, its amounts for the span and its comparison, and when it was last used. */
export async function viewChart(ports: Ports, access: Access, choice: SpanChoice): Promise<Outcome<ChartOverview, Failure>> {
  const placement = await viewPlacement(ports, access, choice);
  if (!placement.ok) return placement;
  const notes = new Map<number, string[]>();
  // Notes are between those who keep and review the books.
  const written = access.permissions.includes('see_papers') ? await ports.notes.list(access.companyId, null) : [];
  for (const { accountId, content } of written) notes.set(accountId, [...(notes.get(accountId) ?? []), content]);
  return succeed({ ...placement.value, lastUsed: await ports.chart.lastUsed(access.companyId), notes });
}
