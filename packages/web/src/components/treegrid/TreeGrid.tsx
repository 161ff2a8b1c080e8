import { visibleOrder } from '@ivory-ladder/core';
import { columnSizingFeature, rowSortingFeature, type SortingState, tableFeatures, useTable } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ClipboardEvent, type CSSProperties, type KeyboardEvent, type ReactNode, type Ref, useImperativeHandle, useMemo, useRef, useState } from 'react';
import { useIsPrinting } from '../useIsPrinting.ts';
import { blockText, type GridColumn } from './gridColumn.ts';
import styles from './TreeGrid.module.css';
import { placeByKey, useBlock } from './useBlock.ts';

export interface TreeGridHandle {
  /** The row before or behind one in the order and filter shown. */
  beside(key: number, step: 1 | -1): number | null;
  /** Brings a row into view and puts the focus there. */
  showRow(key: number): void;
}

interface TreeGridProps<Row extends object> {
  readonly ref?: Ref<TreeGridHandle>;
  readonly label: string;
  /** In their own order, each before what is nested in it. */
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => number;
  readonly depthOf: (row: Row) => number;
  /** The column that is indented by depth comes first. */
  readonly columns: readonly GridColumn<Row>[];
  /** Rows that are sought, `null` for all. */
  readonly isSought?: ((row: Row) => boolean) | null;
  readonly chosen?: number;
  readonly onOpen?: (row: Row) => void;
  readonly onCopied?: (rows: number) => void;
  /** A line under a row, where there is something to say about it. */
  readonly detail?: (row: Row) => ReactNode;
  readonly isWrong?: (row: Row) => boolean;
  readonly isFaint?: (row: Row) => boolean;
  /** What the foot says of how many rows are shown, in the place of totals. */
  readonly countText?: (shown: number, all: number) => string;
  /** Keys of the screen’s own on a row; `true` for one that was taken. `isFlat`: rows stand in another order than their own. */
  readonly onRowKey?: (event: KeyboardEvent, row: Row, isFlat: boolean) => boolean;
}

const rowPixels = 26;
const rowsPerPage = 20;
const features = tableFeatures({ rowSortingFeature, columnSizingFeature });

/**
 * A table or tree of any length. Arrow keys walk its rows, left and right shut and open, shift extends a block, Enter opens,
 * Ctrl C copies the block as tab-separated text. A heading orders by its column, then the other way, then as the rows came.
 */
export function TreeGrid<Row extends object>(props: TreeGridProps<Row>) {
  const { label, rows, keyOf, depthOf, columns, isSought = null, onOpen, detail } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const [sorting, setSorting] = useState<SortingState>([]);
  const [shutKeys, setShutKeys] = useState<ReadonlySet<number>>(new Set());
  const headings = useMemo(
    () =>
      columns.map(({ id, compare, isAmount }) => ({
        id,
        accessorFn: (row: Row) => row,
        enableSorting: compare !== undefined,
        sortDescFirst: isAmount === true,
      })),
    [columns],
  );
  const table = useTable({
    features,
    columns: headings,
    data: rows,
    manualSorting: true,
    state: { sorting },
    onSortingChange: (update) => {
      setSorting(update);
      block.moveTo(0, false);
      scroller.current?.scrollTo({ top: 0 });
    },
  });
  const depths = useMemo(() => rows.map(depthOf), [rows, depthOf]);
  const isTree = useMemo(() => depths.some((depth) => depth > 0), [depths]);
  const isParent = (row: number) => (depths[row + 1] ?? 0) > (depths[row] ?? 0);
  const [sort] = sorting;
  const order = useMemo(() => {
    const compare = columns.find(({ id }) => id === sort?.id)?.compare;
    const sign = sort?.desc ? -1 : 1;
    return visibleOrder({
      depth: depths,
      shut: new Set(shutKeys.size === 0 ? [] : rows.flatMap((row, at) => (shutKeys.has(keyOf(row)) ? [at] : []))),
      isSought: isSought === null ? null : (at) => isSought(rows[at] as Row),
      compare: compare ? (a, b) => sign * compare(rows[a] as Row, rows[b] as Row) : null,
    });
  }, [rows, depths, keyOf, columns, sort, shutKeys, isSought]);
  const isFlat = sort !== undefined || isSought !== null;
  const block = useBlock(order.length);
  const virtual = useVirtualizer({ count: order.length, getScrollElement: () => scroller.current, estimateSize: () => rowPixels, overscan: 12 });
  const isPrinting = useIsPrinting();
  const shown = isPrinting ? Array.from(order, (_, index) => ({ index, start: 0 })) : virtual.getVirtualItems();
  const focusRow = (place: number) => {
    virtual.scrollToIndex(place);
    requestAnimationFrame(() => scroller.current?.querySelector<HTMLElement>(`[data-index="${place}"]`)?.focus());
  };
  useImperativeHandle(props.ref, () => ({
    beside: (key, step) => {
      const place = order.findIndex((at) => keyOf(rows[at] as Row) === key);
      const next = place < 0 ? undefined : rows[order[place + step] ?? -1];
      return next ? keyOf(next) : null;
    },
    showRow: (key) => {
      const place = order.findIndex((at) => keyOf(rows[at] as Row) === key);
      if (place < 0) return;
      block.moveTo(place, false);
      focusRow(place);
    },
  }));
  const toggle = (row: Row) =>
    setShutKeys((before) => (before.has(keyOf(row)) ? new Set([...before].filter((key) => key !== keyOf(row))) : new Set([...before, keyOf(row)])));
  const onKeyDown = (event: KeyboardEvent) => {
    if (!(event.target as HTMLElement).matches('[data-index]')) return;
    const at = order[block.active] ?? 0;
    const row = rows[at] as Row;
    const place = placeByKey(event, block.active, order.length, rowsPerPage);
    if (row && props.onRowKey?.(event, row, isFlat)) {
      event.preventDefault();
      return;
    }
    if (place !== null) {
      const target = Math.max(0, Math.min(order.length - 1, place));
      block.moveTo(target, event.shiftKey);
      focusRow(target);
    } else if (event.key === 'a' && (event.ctrlKey || event.metaKey)) block.all();
    else if (event.key === 'ArrowLeft' && !isFlat && isParent(at) && !shutKeys.has(keyOf(row))) toggle(row);
    else if (event.key === 'ArrowRight' && !isFlat && isParent(at) && shutKeys.has(keyOf(row))) toggle(row);
    else if (event.key === 'Enter' && onOpen) onOpen(row);
    else return;
    event.preventDefault();
  };
  const onCopy = (event: ClipboardEvent) => {
    if (!window.getSelection()?.isCollapsed || event.target instanceof HTMLInputElement) return;
    const copied = [...order.subarray(block.first, block.last + 1)].map((at) => rows[at] as Row);
    event.clipboardData.setData('text/plain', blockText(copied, columns, copied.length === order.length));
    event.preventDefault();
    props.onCopied?.(copied.length);
  };
  const hasTotals = props.countText !== undefined || columns.some(({ total }) => total !== undefined);
  return (
    <div
      className={styles.grid}
      role="treegrid"
      aria-label={label}
      aria-rowcount={order.length + (hasTotals ? 2 : 1)}
      aria-multiselectable
      onCopy={onCopy}
      style={{ '--tracks': columns.map(({ width }) => width).join(' ') } as CSSProperties}
    >
      <div role="row" aria-rowindex={1} className={styles.headings}>
        {table.getFlatHeaders().map(({ column }, at) => {
          const sorted = column.getIsSorted();
          const { caption, isAmount } = columns[at] as GridColumn<Row>;
          return (
            <span
              key={column.id}
              role="columnheader"
              className={isAmount ? styles.amount : undefined}
              aria-sort={sorted === false ? undefined : sorted === 'asc' ? 'ascending' : 'descending'}
            >
              {column.getCanSort() ? (
                <button
                  type="button"
                  className={styles.sort}
                  onClick={column.getToggleSortingHandler()}
                  title={sorted === false ? `Order by ${caption.toLowerCase()}` : nextOrder(sorted, isAmount)}
                >
                  {caption}
                  {sorted !== false && <span aria-hidden>{sorted === 'asc' ? ' ↑' : ' ↓'}</span>}
                </button>
              ) : (
                caption
              )}
            </span>
          );
        })}
      </div>
      <div ref={scroller} className={styles.scroller} onKeyDown={onKeyDown} role="rowgroup">
        <div className={styles.rows} style={isPrinting ? undefined : { height: virtual.getTotalSize() }}>
          {shown.map(({ index, start }) => {
            const at = order[index] as number;
            const row = rows[at] as Row;
            const key = keyOf(row);
            const isShut = shutKeys.has(key);
            const hasNested = !isFlat && isParent(at);
            const said = detail?.(row);
            return (
              // biome-ignore lint/a11y/useKeyWithClickEvents: the row group around the rows takes the keys
              <div
                key={key}
                ref={virtual.measureElement}
                role="row"
                aria-rowindex={index + 2}
                aria-level={(depths[at] ?? 0) + 1}
                aria-selected={key === props.chosen || (index >= block.first && index <= block.last && block.first !== block.last)}
                {...(hasNested ? { 'aria-expanded': !isShut } : {})}
                tabIndex={index === block.active ? 0 : -1}
                data-index={index}
                data-wrong={props.isWrong?.(row) || undefined}
                data-faint={props.isFaint?.(row) || undefined}
                data-opens={onOpen ? true : undefined}
                className={styles.row}
                style={isPrinting ? undefined : { transform: `translateY(${start}px)` }}
                onFocus={(event) => event.target === event.currentTarget && index !== block.active && block.moveTo(index, false)}
                onClick={(event) => {
                  if ((event.target as HTMLElement).closest('button')) return;
                  block.moveTo(index, event.shiftKey);
                  if (!event.shiftKey) onOpen?.(row);
                }}
              >
                {columns.map(({ id, isAmount, cell }, columnAt) => (
                  <span
                    key={id}
                    role="gridcell"
                    className={isAmount ? styles.amount : undefined}
                    style={columnAt === 0 && isTree && !isFlat ? { paddingLeft: (depths[at] as number) * 16 + (hasNested ? 0 : 16) } : undefined}
                  >
                    {columnAt === 0 && hasNested && (
                      <button type="button" tabIndex={-1} className={styles.opener} aria-label={isShut ? 'Open' : 'Shut'} onClick={() => toggle(row)}>
                        {isShut ? '▸' : '▾'}
                      </button>
                    )}
                    {cell(row)}
                  </span>
                ))}
                {said !== undefined && said !== null && (
                  <span role="gridcell" className={styles.detail}>
                    {said}
                  </span>
                )}
              </div>
            );
          })}
        </div>
      </div>
      {hasTotals && (
        <div role="row" aria-rowindex={order.length + 2} className={styles.totals}>
          {props.countText ? (
            <span role="gridcell" className={styles.count}>
              {props.countText(order.length, rows.length)}
            </span>
          ) : (
            columns.map(({ id, isAmount, total }) => (
              <span key={id} role="gridcell" className={isAmount ? styles.amount : undefined}>
                {total}
              </span>
            ))
          )}
        </div>
      )}
    </div>
  );
}

/** What another press of a heading does, the third of them being the way back. */
function nextOrder(sorted: 'asc' | 'desc', startsDescending: boolean | undefined): string {
  return (sorted === 'desc') === (startsDescending === true) ? 'Order the other way' : 'Back to the chart’s own order';
}
