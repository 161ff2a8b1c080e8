import type { Layout, OwnTotals } from '@ivory-ladder/core';

/** Both sides the same, or the final total the profit, and no line outside of them. */
export function isTied({ difference, outside }: OwnTotals): boolean {
  return difference === 0n && outside.length === 0;
}

/** How a composed statement ties by its own totals, with the lines that none of them counts. */
export function tiesText({ difference, outside }: OwnTotals, format: (net: bigint) => string, kind: Layout['kind']): string {
  const size = format(difference < 0n ? -difference : difference);
  const isSheet = kind === 'balance_sheet';
  const ties = isSheet ? 'Assets = liabilities + equity, by its totals' : 'Its final total is the profit';
  const odd = isSheet ? `Its totals differ by ${size}` : `Its final total is off the profit by ${size}`;
  const lines = outside.map(({ caption, net }) => `«${caption}» ${format(net)}`).join(', ');
  const named = lines === '' ? '' : `; in no total: ${lines}`;
  return difference === 0n ? `${outside.length === 0 ? '✓' : '▲'} ${ties}${named}` : `✗ ${odd}${named}`;
}
