import type { StatementBody } from '@ivory-ladder/contract';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, type RefObject, useEffect, useLayoutEffect, useRef } from 'react';
import { useIsPrinting } from '../../shared/components/useIsPrinting.ts';

type Row = StatementBody['rows'][number];

interface RowsInSightProps {
  readonly rows: readonly Row[];
  readonly chosenLine: string | null;
  readonly scroller: RefObject<HTMLElement | null>;
  readonly row: (row: Row) => ReactNode;
}

/** About; a row in sight is as high as it is, and only what is out of sight is reckoned with these. */
const pixels: Readonly<Record<Row['role'], number>> = { heading: 32, line: 25, account: 23, total: 28, final: 33, text: 24, space: 14 };

/** Of many rows those in sight, with room for the others before and behind them; all of them on paper. */
export function RowsInSight({ rows, chosenLine, scroller, row }: RowsInSightProps) {
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => pixels[rows[index]?.role ?? 'line'],
    overscan: 6,
    // Headings stay above what is scrolled to.
    scrollPaddingStart: 60,
  });
  const isPrinting = useIsPrinting();
  const live = useRef({ rows, virtual });
  live.current = { rows, virtual };
  // Once a line is chosen, and not again whenever figures change.
  useEffect(() => {
    const at = chosenLine === null ? -1 : live.current.rows.findIndex(({ lineKey }) => lineKey === chosenLine);
    if (at >= 0) live.current.virtual.scrollToIndex(at);
  }, [chosenLine]);
  const inSight = virtual.getVirtualItems();
  const [first, last] = [inSight.at(0), inSight.at(-1)];
  const from = isPrinting ? 0 : (first?.index ?? 0);
  const shown = isPrinting ? rows : rows.slice(from, (last?.index ?? -1) + 1);
  const [before, behind] = isPrinting || !first || !last ? [0, 0] : [first.start, virtual.getTotalSize() - last.end];
  // Their places among all are told to who cannot see them; given to each row they would have all drawn anew when one comes or goes.
  useLayoutEffect(() => {
    for (const [at, drawn] of [...(scroller.current?.querySelectorAll('tbody > tr[data-row]') ?? [])].entries())
      drawn.setAttribute('aria-rowindex', String(from + at + 2));
  });
  return (
    <>
      {before > 0 && <tr aria-hidden style={{ height: before }} />}
      {shown.map(row)}
      {behind > 0 && <tr aria-hidden style={{ height: behind }} />}
    </>
  );
}
