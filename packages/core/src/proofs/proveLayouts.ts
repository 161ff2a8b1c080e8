import type { Day } from '../calendar/day.ts';
import type { LayoutCoverage } from '../layout/layoutCoverage.ts';
import type { Proof } from './proof.ts';

/** A composed layout that runs, and what stands in it. */
export interface CoveredLayout {
  readonly id: number;
  readonly name: string;
  readonly coverage: Pick<LayoutCoverage, 'inScope' | 'faults'>;
}

/** In every composed layout that runs, each account of its elements stands exactly once; an account is named once for each layout. `null` where none claims it. */
export function proveLayouts(day: Day, layouts: readonly CoveredLayout[]): Proof | null {
  const claimed = layouts.filter(({ coverage }) => coverage.inScope !== null);
  if (claimed.length === 0) return null;
  const accounts = claimed.flatMap(({ name, coverage }) =>
    coverage.faults.map(({ account, state, net }) => ({ account, reason: `in_layout ${state} ${name}`, net })),
  );
  const inScope = claimed.reduce((sum, { coverage }) => sum + (coverage.inScope ?? 0), 0);
  const count = (name: string, value: number) => ({ name, day, net: BigInt(value) });
  return {
    name: 'layouts_complete',
    state: accounts.length === 0 ? 'holds' : 'to_look_at',
    difference: accounts.reduce((sum, { net }) => sum + (net < 0n ? -net : net), 0n),
    figures: [count('accounts_in_scope', inScope), count('accounts_placed', inScope - accounts.length)],
    accounts,
    layouts: claimed.map(({ id, name, coverage }) => ({ id, name, inScope: coverage.inScope ?? 0, faults: coverage.faults })),
  };
}
