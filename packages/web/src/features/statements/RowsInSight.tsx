import type { StatementBody } from '@ivory-ladder/contract';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, type RefObject, useEffect, useMemo, useRef } from 'react';
import { useIsPrinting } from '../../components/useIsPrinting.ts';

type Row = StatementBody['rows'][number];

/** A row among more than are drawn. `measure`: what takes its height. */
export interface PlacedRow {
  readonly index: number;
  readonly measure: (element: Element | null) => void;
}

interface RowsInSightProps {
  readonly rows: readonly Row[];
  readonly chosenLine: string | null;
  readonly scroller: RefObject<HTMLElement | null>;
  readonly row: (row: Row, place: PlacedRow) => ReactNode;
}

const rowPixels = 25;

/** Of many rows those in sight, with room for the others before and behind them; all of them on paper. */
export function RowsInSight({ rows, chosenLine, scroller, row }: RowsInSightProps) {
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowPixels,
    overscan: 10,
    getItemKey: (index) => `${rows[index]?.key}.${rows[index]?.role}`,
  });
  const isPrinting = useIsPrinting();
  const { measureElement } = virtual;
  const count = rows.length;
  const places = useMemo(() => Array.from({ length: count }, (_, index): PlacedRow => ({ index, measure: measureElement })), [count, measureElement]);
  const live = useRef({ rows, virtual });
  live.current = { rows, virtual };
  // Once a line is chosen, and not again whenever figures change.
  useEffect(() => {
    const at = chosenLine === null ? -1 : live.current.rows.findIndex(({ lineKey }) => lineKey === chosenLine);
    if (at >= 0) live.current.virtual.scrollToIndex(at);
  }, [chosenLine]);
  const shown = isPrinting ? rows.map((_, index) => index) : virtual.getVirtualItems().map(({ index }) => index);
  const [first, last] = [virtual.getVirtualItems().at(0), virtual.getVirtualItems().at(-1)];
  const [before, behind] = isPrinting || !first || !last ? [0, 0] : [first.start, virtual.getTotalSize() - last.end];
  return (
    <>
      {before > 0 && <tr aria-hidden style={{ height: before }} />}
      {shown.map((index) => row(rows[index] as Row, places[index] as PlacedRow))}
      {behind > 0 && <tr aria-hidden style={{ height: behind }} />}
    </>
  );
}
