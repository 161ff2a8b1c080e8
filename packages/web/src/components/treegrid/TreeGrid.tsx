import { useVirtualizer } from '@tanstack/react-virtual';
import {
  type ClipboardEvent,
  type CSSProperties,
  type KeyboardEvent,
  type ReactNode,
  type Ref,
  useCallback,
  useEffect,
  useImperativeHandle,
  useLayoutEffect,
  useMemo,
  useReducer,
  useRef,
  useState,
} from 'react';
import { useIsPrinting } from '../useIsPrinting.ts';
import type { EditEnd } from './CellEditor.tsx';
import { type ColumnChoice, chosenColumnsOf, leastWidth, resized, settledChoice } from './columnChoice.ts';
import { GridHeadings, sortOf } from './GridHeadings.tsx';
import { GridRow, type RowActions } from './GridRow.tsx';
import { blockText, type GridColumn } from './gridColumn.ts';
import { commandOf, type GridCommand } from './gridKeys.ts';
import { RowDragZone } from './RowDragZone.tsx';
import type { DropZone, RowDrag } from './rowDrag.ts';
import styles from './TreeGrid.module.css';
import { useBlock } from './useBlock.ts';
import { useVisibleRows } from './useVisibleRows.ts';

export interface TreeGridHandle {
  /** The row before or behind one in the order and filter shown. */
  beside(key: number, step: 1 | -1): number | null;
  /** Puts the focus where the keyboard stood last. */
  focus(): void;
  /** Brings a row into view and puts the focus there. */
  showRow(key: number): void;
  /** The cell that the keyboard stands on: the columns from it to the right, and the rows from it down. */
  cell(): { readonly columnIds: readonly string[]; keysFrom(count: number): number[] } | null;
  /** Edits that cell, beginning with a text; `false` where it is not edited. */
  editWith(text: string): boolean;
}

export interface TreeGridProps<Row extends object> {
  readonly ref?: Ref<TreeGridHandle>;
  readonly label: string;
  /** In their own order, each before what is nested in it. */
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => number;
  readonly depthOf: (row: Row) => number;
  /** The column that is indented by depth comes first. */
  readonly columns: readonly GridColumn<Row>[];
  /** Columns chosen to be seen; none: as the table has them. */
  readonly choice?: readonly ColumnChoice[];
  readonly onChoice?: (choice: readonly ColumnChoice[]) => void;
  /** Column that orders the rows, with a minus for the other way; absent where the table keeps it to itself. */
  readonly order?: string;
  readonly onOrder?: (order: string) => void;
  /** Rows that are sought, `null` for all. */
  readonly isSought?: ((row: Row) => boolean) | null;
  readonly chosen?: number;
  readonly onOpen?: (row: Row) => void;
  readonly onCopied?: (rows: number) => void;
  /** Gives why the value was not taken, or `null`. Absent where nothing is edited in its place. */
  readonly onEdit?: (row: Row, columnId: string, text: string) => Promise<string | null>;
  /** The block of rows below its first, which the first one's value is to fill. */
  readonly onFillDown?: (from: Row, below: readonly Row[], columnId: string) => void;
  readonly drag?: RowDrag<Row> | null;
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
const gapPixels = 8;
const headPixels = 28;
const footPixels = 34;
const noChoice: readonly ColumnChoice[] = [];
/** Rows without a line under them are all of one height; asking each for it makes the browser lay the page out in between. */
const unmeasured = () => undefined;

/**
 * A table or tree of any length. Arrow keys walk its rows, left and right shut and open, and further to the right its
 * cells; shift extends a block, Enter opens a row or edits a cell, Ctrl C copies the block as tab-separated text.
 */
export function TreeGrid<Row extends object>(props: TreeGridProps<Row>) {
  const { label, rows, keyOf, depthOf, choice = noChoice, isSought = null, onOpen, drag = null } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const [ownOrder, setOwnOrder] = useState('');
  const [editing, setEditing] = useState<string | null>(null);
  const [, redraw] = useReducer((count: number) => count + 1, 0);
  const [over, setOver] = useState<{ place: number; zone: DropZone | 'refused' } | null>(null);
  const columns = useMemo(() => chosenColumnsOf(props.columns, choice), [props.columns, choice]);
  const sort = sortOf(props.order ?? ownOrder);
  const compare = props.columns.find(({ id }) => id === sort?.id)?.compare;
  const { order, depths, isTree, isFlat, isShut, toggle } = useVisibleRows({ rows, keyOf, depthOf, compare, isDescending: sort?.desc === true, isSought });
  const block = useBlock(order.length);
  const column = block.column === null ? null : Math.min(block.column, columns.length - 1);
  const hasTotals = props.countText !== undefined || columns.some(({ total }) => total !== undefined);
  const virtual = useVirtualizer({
    count: order.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowPixels,
    overscan: 12,
    scrollMargin: headPixels,
    scrollPaddingStart: headPixels,
    scrollPaddingEnd: hasTotals ? footPixels : 0,
  });
  const isPrinting = useIsPrinting();
  const shown = isPrinting ? Array.from(order, (_, index) => ({ index, start: null })) : virtual.getVirtualItems();
  const rowAt = useCallback((place: number): Row | undefined => rows[order[place] ?? -1], [rows, order]);
  const wanted = useRef<{ place: number; column: number | null } | null>(null);
  // The row or cell that is to have the focus may only be drawn once it has been scrolled to.
  useLayoutEffect(() => {
    if (wanted.current === null || editing !== null) return;
    const { place, column: at } = wanted.current;
    const row = scroller.current?.querySelector<HTMLElement>(`[data-index="${place}"]`);
    const target = at === null ? row : row?.querySelector<HTMLElement>(`[data-column="${at}"]`);
    if (target?.tabIndex !== 0) return;
    wanted.current = null;
    target.focus({ preventScroll: true });
    if (at !== null) target.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  });
  const focusAt = (place: number, at: number | null) => {
    wanted.current = { place, column: at };
    virtual.scrollToIndex(place);
    redraw();
  };
  const moveTo = (place: number, isExtending = false) => {
    const target = Math.max(0, Math.min(order.length - 1, place));
    block.moveTo(target, isExtending);
    focusAt(target, column);
  };
  const toColumn = (at: number | null) => {
    block.toColumn(at);
    focusAt(block.active, at);
  };
  const editOf = (at: number | null) => (at === null || !props.onEdit ? undefined : columns[at]?.edit);
  const endEdit = (end: EditEnd) => {
    setEditing(null);
    if (end === 'away') return;
    if (end === 'down') moveTo(block.active + 1);
    else if (end === 'stay' || column === null) focusAt(block.active, column);
    else toColumn(Math.max(0, Math.min(columns.length - 1, column + (end === 'right' ? 1 : -1))));
  };
  const acts: RowActions<Row> = {
    toggle,
    stand: (place) => block.moveTo(place, false),
    press: (row, place, isExtending) => {
      block.moveTo(place, isExtending);
      if (isExtending) return;
      block.toColumn(null);
      onOpen?.(row);
    },
    editAt: (place, at) => {
      if (!editOf(at)) return;
      block.moveTo(place, false);
      block.toColumn(at);
      setEditing(editOf(at)?.value(rowAt(place) as Row) ?? '');
    },
    apply: async (row, columnId, text) => {
      const value = columns.find(({ id }) => id === columnId)?.edit?.value(row);
      return value === text || !props.onEdit ? null : props.onEdit(row, columnId, text);
    },
    endEdit,
  };
  const latest = useRef(acts);
  useEffect(() => {
    latest.current = acts;
  });
  const actions = useMemo<RowActions<Row>>(
    () => ({
      toggle: (row) => latest.current.toggle(row),
      stand: (place) => latest.current.stand(place),
      press: (row, place, isExtending) => latest.current.press(row, place, isExtending),
      editAt: (place, at) => latest.current.editAt(place, at),
      apply: (row, columnId, text) => latest.current.apply(row, columnId, text),
      endEdit: (end) => latest.current.endEdit(end),
    }),
    [],
  );
  useImperativeHandle(props.ref, () => ({
    beside: (key, step) => {
      const place = order.findIndex((at) => keyOf(rows[at] as Row) === key);
      const next = place < 0 ? undefined : rowAt(place + step);
      return next ? keyOf(next) : null;
    },
    focus: () => focusAt(block.active, column),
    showRow: (key) => {
      const place = order.findIndex((at) => keyOf(rows[at] as Row) === key);
      if (place >= 0) moveTo(place);
    },
    cell: () => {
      if (column === null || order.length === 0 || !scroller.current?.contains(document.activeElement)) return null;
      return {
        columnIds: columns.slice(column).map(({ id }) => id),
        keysFrom: (count) => [...order.subarray(block.active, block.active + count)].map((at) => keyOf(rows[at] as Row)),
      };
    },
    editWith: (text) => {
      const edit = editOf(column);
      if (!edit || edit.choices) return false;
      setEditing(text);
      return true;
    },
  }));
  const carryOut = (command: GridCommand, row: Row) => {
    switch (command.kind) {
      case 'to_row':
        return moveTo(command.place, command.isExtending);
      case 'to_column':
        return toColumn(command.column);
      case 'toggle':
        return toggle(row);
      case 'open':
        return onOpen?.(row);
      case 'all':
        return block.all();
      case 'edit':
        return setEditing(command.text ?? editOf(column)?.value(row) ?? '');
      case 'fill_down': {
        const below = Array.from({ length: block.last - block.first }, (_, step) => rowAt(block.first + 1 + step) as Row);
        if (below.length > 0) props.onFillDown?.(rowAt(block.first) as Row, below, columns[column ?? 0]?.id ?? '');
      }
    }
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const row = rowAt(block.active);
    if (!row || !(event.target as HTMLElement).matches('[data-index], [data-column]')) return;
    const facts = { place: block.active, count: order.length, column, columns: columns.length, edit: editOf(column), isShut: isShut(order[block.active] ?? 0) };
    const command = commandOf(event, facts);
    // A cell's own keys go before the screen's on the row: F2 edits the cell where there is one to edit.
    const isOfCell = command?.kind === 'edit' || command?.kind === 'fill_down';
    if (!isOfCell && props.onRowKey?.(event, row, isFlat)) event.preventDefault();
    else if (command) {
      event.preventDefault();
      carryOut(command, row);
    }
  };
  const onCopy = (event: ClipboardEvent) => {
    if (!window.getSelection()?.isCollapsed || event.target instanceof HTMLInputElement) return;
    const copied = [...order.subarray(block.first, block.last + 1)].map((at) => rows[at] as Row);
    event.clipboardData.setData('text/plain', blockText(copied, columns, copied.length === order.length));
    event.preventDefault();
    props.onCopied?.(copied.length);
  };
  const { onChoice, onOrder = setOwnOrder } = props;
  const drawn = (
    <div className={styles.rows} style={isPrinting ? undefined : { height: virtual.getTotalSize() }}>
      {shown.map(({ index, start }) => {
        const at = order[index] as number;
        const row = rows[at] as Row;
        const key = keyOf(row);
        const isActive = index === block.active;
        return (
          <GridRow<Row>
            key={key}
            row={row}
            place={index}
            start={start === null ? null : start - headPixels}
            depth={depths[at] ?? 0}
            isIndented={isTree && !isFlat}
            columns={columns}
            isShut={isShut(at)}
            isSelected={key === props.chosen || (index >= block.first && index <= block.last && block.first !== block.last)}
            isActive={isActive}
            activeColumn={isActive ? column : null}
            editing={isActive ? editing : null}
            drop={over?.place === index ? over.zone : null}
            detail={props.detail?.(row)}
            isWrong={props.isWrong?.(row) === true}
            isFaint={props.isFaint?.(row) === true}
            opens={onOpen !== undefined}
            attach={props.detail ? virtual.measureElement : unmeasured}
            actions={actions}
          />
        );
      })}
    </div>
  );
  const tracks = { '--tracks': columns.map(({ width }) => width).join(' '), '--least': `${leastWidth(columns, gapPixels)}px` };
  return (
    <div
      className={styles.grid}
      role="treegrid"
      aria-label={label}
      aria-rowcount={order.length + (hasTotals ? 2 : 1)}
      aria-multiselectable
      onCopy={onCopy}
      style={tracks as CSSProperties}
    >
      <div ref={scroller} className={styles.scroller}>
        <GridHeadings
          columns={columns}
          order={props.order ?? ownOrder}
          onOrder={(next) => {
            onOrder(next);
            block.moveTo(0, false);
            scroller.current?.scrollTo({ top: 0 });
          }}
          onWidth={onChoice && ((id, pixels) => onChoice(resized(settledChoice(props.columns, choice), id, pixels)))}
        />
        <div role="rowgroup" className={styles.group} onKeyDown={onKeyDown}>
          {drag ? (
            <RowDragZone drag={drag} isFlat={isFlat} rowAt={rowAt} onOver={setOver}>
              {drawn}
            </RowDragZone>
          ) : (
            drawn
          )}
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
    </div>
  );
}
