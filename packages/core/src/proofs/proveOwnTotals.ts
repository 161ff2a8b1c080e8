import type { Day } from '../calendar/day.ts';
import type { OwnTotals } from './ownTotals.ts';
import type { Proof, ProofFigure } from './proof.ts';
import { worst } from './proveTrialBalance.ts';

/** A composed statement by its own totals, in each column; what reaches no total is named with its amount, in the first column that has some. */
export function proveOwnTotals(kind: 'balance_sheet' | 'income_statement', columns: readonly { readonly day: Day; readonly totals: OwnTotals }[]): Proof {
  const names = kind === 'balance_sheet' ? ['own_debit_total', 'own_credit_total'] : ['own_final_total', 'result_of_accounts'];
  const figures = columns.flatMap(({ day, totals }): ProofFigure[] => [
    ...totals.figures.map((net, at) => ({ name: names[at] as string, day, net })),
    ...totals.outside.map(({ caption, net }) => ({ name: `in_no_total ${caption}`, day, net })),
  ]);
  const difference = worst(columns.map(({ totals }) => totals.difference));
  const isOutside = columns.some(({ totals }) => totals.outside.length > 0);
  return { name: 'own_totals', state: difference !== 0n ? 'fails' : isOutside ? 'to_look_at' : 'holds', difference, figures, accounts: [] };
}
