import { useVirtualizer } from '@tanstack/react-virtual';
import {
  type ClipboardEvent,
  type CSSProperties,
  type KeyboardEvent,
  type MouseEvent,
  type ReactNode,
  type Ref,
  useCallback,
  useEffect,
  useImperativeHandle,
  useMemo,
  useRef,
  useState,
} from 'react';
import { useIsPrinting } from '../useIsPrinting.ts';
import { type RowChoice, useRowMenu } from '../useRowMenu.tsx';
import { type ColumnChoice, chosenColumnsOf, leastWidth, resized, settledChoice } from './columnChoice.ts';
import { GridFoot } from './GridFoot.tsx';
import { GridHeadings, sortOf } from './GridHeadings.tsx';
import { GridRow, type RowActions } from './GridRow.tsx';
import { blockText, type GridColumn } from './gridColumn.ts';
import { commandOf, type GridCommand, parentPlace } from './gridKeys.ts';
import { RefusedCells } from './RefusedCells.tsx';
import { RowDragZone } from './RowDragZone.tsx';
import type { DropZone, RowDrag } from './rowDrag.ts';
import styles from './TreeGrid.module.css';
import { useBlock } from './useBlock.ts';
import { useCellEditing } from './useCellEditing.ts';
import { useVisibleRows } from './useVisibleRows.ts';
import { useWantedFocus } from './useWantedFocus.ts';

export interface TreeGridHandle {
  /** The row before or behind one in the order and filter shown. */
  beside(key: number, step: 1 | -1): number | null;
  /** Puts the focus where the keyboard stood last. */
  focus(): void;
  /** Brings a row into view and puts the focus there. */
  showRow(key: number): void;
  /** The cell that the keyboard stands on: the columns from it to the right, and the rows from it down. */
  cell(): { readonly columnIds: readonly string[]; keysFrom(count: number): number[] } | null;
  /** The rows of the block, where it is more than one. */
  block(): number[];
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
  /** What can be done with a row, in its menu. */
  readonly menu?: (row: Row) => readonly RowChoice[];
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
  const placeOf = (key: number) => order.findIndex((at) => keyOf(rows[at] as Row) === key);
  const cells = useCellEditing({ rows, keyOf, columns, block, column, count: order.length, rowAt, placeOf, scroller, onEdit: props.onEdit });
  const { editing, typed } = cells;
  const wantFocus = useWantedFocus(scroller, editing !== null);
  const focusAt = (place: number, at: number | null) => {
    virtual.scrollToIndex(place);
    wantFocus(place, at);
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
  const acts: RowActions<Row> & { fillDown(first: number, last: number, columnId: string): void } = {
    toggle,
    stand: (place) => block.moveTo(place, false),
    press: (row, place, isExtending) => {
      if (isExtending) return moveTo(place, true);
      block.moveTo(place, false);
      block.toColumn(null);
      onOpen?.(row);
    },
    editAt: cells.editAt,
    endEdit: (text, end) => {
      const next = cells.endEdit(text, end);
      if (next) focusAt(next.place, next.column);
    },
    fillDown: (first, last, columnId) => {
      const [from, ...below] = Array.from({ length: last - first + 1 }, (_, step) => rowAt(first + step) as Row);
      if (from && below.length > 0) props.onFillDown?.(from, below, columnId);
    },
  };
  const latest = useRef(acts);
  useEffect(() => {
    latest.current = acts;
  });
  useImperativeHandle(props.ref, () => ({
    beside: (key, step) => {
      const place = placeOf(key);
      const next = place < 0 ? undefined : rowAt(place + step);
      return next ? keyOf(next) : null;
    },
    focus: () => focusAt(block.active, column),
    showRow: (key) => {
      const place = placeOf(key);
      if (place >= 0) moveTo(place);
    },
    cell: () => {
      if (column === null || order.length === 0 || !scroller.current?.contains(document.activeElement)) return null;
      return {
        columnIds: columns.slice(column).map(({ id }) => id),
        keysFrom: (count) => [...order.subarray(block.active, block.active + count)].map((at) => keyOf(rows[at] as Row)),
      };
    },
    block: () => (block.first === block.last ? [] : [...order.subarray(block.first, block.last + 1)].map((at) => keyOf(rows[at] as Row))),
    editWith: (text) => {
      const edit = cells.editOf(column);
      if (!edit || edit.choices) return false;
      cells.editAt(block.active, column, text);
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
        return cells.editAt(block.active, column, command.text);
      case 'fill_down': {
        const { first, last } = block;
        return typed.afterAll(() => latest.current.fillDown(first, last, columns[column ?? 0]?.id ?? ''));
      }
    }
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const row = rowAt(block.active);
    if (!row || !(event.target as HTMLElement).matches('[data-index], [data-column]')) return;
    const facts = {
      place: block.active,
      count: order.length,
      column,
      columns: columns.length,
      edit: cells.editOf(column),
      isShut: isShut(order[block.active] ?? 0),
      parent: isTree && !isFlat ? parentPlace(block.active, (place) => depths[order[place] ?? 0] ?? 0) : null,
    };
    if (event.key === 'Escape' && cells.letGo()) return;
    const command = commandOf(event, facts);
    // A cell's own keys go before the screen's on the row: F2 edits the cell where there is one to edit.
    const isOfCell = command?.kind === 'edit' || command?.kind === 'fill_down';
    if (!isOfCell && props.onRowKey?.(event, row, isFlat)) event.preventDefault();
    else if (command) {
      event.preventDefault();
      carryOut(command, row);
    }
  };
  const menu = useRowMenu();
  const onContextMenu = (event: MouseEvent) => {
    const row = rowAt(Number((event.target as HTMLElement).closest<HTMLElement>('[data-index]')?.dataset.index ?? -1));
    if (row && props.menu) menu.open(event, props.menu(row));
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
            typed={typed.rows.get(key)}
            drop={over?.place === index ? over.zone : null}
            detail={props.detail?.(row)}
            isWrong={props.isWrong?.(row) === true}
            isFaint={props.isFaint?.(row) === true}
            opens={onOpen !== undefined}
            attach={props.detail ? virtual.measureElement : unmeasured}
            actions={latest}
          />
        );
      })}
    </div>
  );
  const tracks = { '--tracks': columns.map(({ width }) => width).join(' '), '--least': `${leastWidth(columns, gapPixels)}px` };
  const activeRow = editing === null ? undefined : rowAt(block.active);
  return (
    <div className={styles.grid} style={tracks as CSSProperties}>
      <div className={styles.table} role="treegrid" aria-label={label} aria-rowcount={order.length + (hasTotals ? 2 : 1)} aria-multiselectable onCopy={onCopy}>
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
          <div role="rowgroup" className={styles.group} onKeyDown={onKeyDown} onContextMenu={onContextMenu}>
            {drag ? (
              <RowDragZone drag={drag} isFlat={isFlat} rowAt={rowAt} onOver={setOver}>
                {drawn}
              </RowDragZone>
            ) : (
              drawn
            )}
          </div>
          {hasTotals && <GridFoot columns={columns} text={props.countText?.(order.length, rows.length)} rowIndex={order.length + 2} />}
        </div>
      </div>
      {menu.drawn}
      <RefusedCells
        rows={typed.rows}
        except={activeRow ? { key: keyOf(activeRow), columnId: columns[column ?? 0]?.id ?? '' } : null}
        onGo={(key, columnId) => {
          const place = cells.editCell(key, columnId);
          if (place !== null) virtual.scrollToIndex(place);
        }}
        onLetGo={typed.letGo}
      />
    </div>
  );
}
