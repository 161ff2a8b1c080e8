import { type ChangedLine, changedRows } from './changedLines.ts';
import type { PlacementFigures } from './placementFigures.ts';

/** What one placement in the place of another does to the statements. */
export interface PlacementEffect {
  readonly lines: readonly ChangedLine[];
  readonly before: PlacementTies;
  readonly after: PlacementTies;
}

export type PlacementTies = Pick<PlacementFigures, 'outOfBalance' | 'profitMissed' | 'atFault' | 'atStake'>;

export function effectOf(before: PlacementFigures, after: PlacementFigures): PlacementEffect {
  return {
    lines: (['balance_sheet', 'income_statement'] as const).flatMap((kind) =>
      changedRows(before.rows[kind], after.rows[kind]).map((row) => ({ kind, ...row })),
    ),
    before: tiesOf(before),
    after: tiesOf(after),
  };
}

function tiesOf({ outOfBalance, profitMissed, atFault, atStake }: PlacementFigures): PlacementTies {
  return { outOfBalance, profitMissed, atFault, atStake };
}

/** Totals that are another figure then, those the most is counted in last: what is told of a rehearsal in one line. */
export function changedTotals({ lines }: PlacementEffect): ChangedLine[] {
  return lines.filter(({ role, before, after }) => (role === 'total' || role === 'final') && before !== null && after !== null && before[0] !== after[0]);
}
