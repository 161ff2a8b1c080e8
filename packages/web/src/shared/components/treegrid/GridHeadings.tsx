import { columnSizingFeature, rowSortingFeature, type SortingState, tableFeatures, useTable } from '@tanstack/react-table';
import { type KeyboardEvent, useMemo } from 'react';
import { ColumnEdge, headingWidth, widthStep } from './ColumnEdge.tsx';
import type { GridColumn } from './gridColumn.ts';
import styles from './TreeGrid.module.css';

interface GridHeadingsProps<Row> {
  readonly columns: readonly GridColumn<Row>[];
  /** Column that orders the rows, with a minus for the other way; empty for the rows' own order. */
  readonly order: string;
  readonly onOrder: (order: string) => void;
  /** Absent where widths are the table's own. */
  readonly onWidth: ((id: string, pixels: number) => void) | undefined;
}

const features = tableFeatures({ rowSortingFeature, columnSizingFeature });
const noRows: never[] = [];

export function sortOf(order: string): { readonly id: string; readonly desc: boolean } | null {
  return order === '' ? null : { id: order.replace(/^-/, ''), desc: order.startsWith('-') };
}

/** Headings: each orders by its column, then the other way, then as the rows came; its right edge, or Alt and an arrow, makes it wider or narrower. */
export function GridHeadings<Row extends object>({ columns, order, onOrder, onWidth }: GridHeadingsProps<Row>) {
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
  const sort = sortOf(order);
  const sorting: SortingState = sort ? [sort] : [];
  const table = useTable({
    features,
    columns: headings,
    data: noRows as Row[],
    manualSorting: true,
    state: { sorting },
    onSortingChange: (update) => {
      const [next] = typeof update === 'function' ? update(sorting) : update;
      onOrder(next ? `${next.desc ? '-' : ''}${next.id}` : '');
    },
  });
  return (
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
                onKeyDown={(event) => onWidth && onHeadingKey(event, (pixels) => onWidth(column.id, pixels))}
                title={`${sorted === false ? `Order by ${caption.toLowerCase()}` : nextOrder(sorted, isAmount)}${onWidth ? '; Alt with ← or → sets its width' : ''}`}
              >
                {caption}
                {sorted !== false && <span aria-hidden>{sorted === 'asc' ? ' ↑' : ' ↓'}</span>}
              </button>
            ) : (
              caption
            )}
            {onWidth && <ColumnEdge onWidth={(pixels) => onWidth(column.id, pixels)} />}
          </span>
        );
      })}
    </div>
  );
}

/** What another press of a heading does, the third of them being the way back. */
function nextOrder(sorted: 'asc' | 'desc', startsDescending: boolean | undefined): string {
  return (sorted === 'desc') === (startsDescending === true) ? 'Order the other way' : 'Back to the chart’s own order';
}

function onHeadingKey(event: KeyboardEvent, onWidth: (pixels: number) => void): void {
  const step = event.altKey ? { ArrowLeft: -widthStep, ArrowRight: widthStep }[event.key] : undefined;
  if (step === undefined) return;
  event.preventDefault();
  onWidth(headingWidth(event.currentTarget) + step);
}
