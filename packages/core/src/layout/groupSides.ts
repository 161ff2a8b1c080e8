import type { ExpandedLayout } from './layoutFacts.ts';
import type { Line } from './line.ts';
import { mapLines, type OwnLayout, walkOwn } from './ownLayout.ts';

/**
 * After an edit: a group whose author has not said which side is positive, and that took no account before it, is of the debit side where all
 * that it takes now is, so that the total of assets is no negative amount. That is written into the group, where its author sees it and can
 * say otherwise; one that took accounts before stays as it is, since sums and formulas go by its side. Of statements of income and of
 * flows the direction is credit throughout. `after`: what the layout consists of now, asked for where such a group is there.
 */
export function withSidesOfFirstLines(layout: OwnLayout, before: ExpandedLayout, after: () => ExpandedLayout): OwnLayout {
  if (layout.kind !== 'balance_sheet' && layout.kind !== 'free') return layout;
  const empty = new Set<string>();
  walkOwn(layout.lines, (line) => {
    const was = before.byKey.get(line.key);
    if (line.kind === 'group' && line.side === null && was !== undefined && takingIn(was).length === 0) empty.add(line.key);
  });
  if (empty.size === 0) return layout;
  const { byKey } = after();
  const isOfDebits = (key: string): boolean => {
    const taking = takingIn(byKey.get(key));
    return taking.length > 0 && taking.every(({ side }) => side === 'debit');
  };
  const lines = mapLines(layout.lines, (line) => (line.kind === 'group' && empty.has(line.key) && isOfDebits(line.key) ? { ...line, side: 'debit' } : line));
  return lines === layout.lines ? layout : { ...layout, lines };
}

/** Lines that take accounts and count, in a line and in all below it. */
function takingIn(line: Line | undefined): Line[] {
  if (line === undefined) return [];
  if (line.kind === 'group' || line.kind === 'heading') return line.children.flatMap(takingIn);
  return line.kind === 'accounts' && !line.isMemo && (line.selection?.accounts.length ?? 1) > 0 ? [line] : [];
}
