import { type RefObject, useEffect, useRef, useState } from 'react';
import type { EditEnd } from './CellEditor.tsx';
import type { CellEdit, GridColumn } from './gridColumn.ts';
import type { Block } from './useBlock.ts';
import { type TypedCells, useTypedCells } from './useTypedCells.ts';

interface CellEditingOptions<Row> {
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => number;
  readonly columns: readonly GridColumn<Row>[];
  readonly block: Block;
  /** The cell that the keyboard stands on. */
  readonly column: number | null;
  /** Rows shown. */
  readonly count: number;
  readonly rowAt: (place: number) => Row | undefined;
  readonly placeOf: (key: number) => number;
  readonly scroller: RefObject<HTMLElement | null>;
  readonly onEdit: ((row: Row, columnId: string, text: string) => Promise<string | null>) | undefined;
}

export interface CellEditing<Row> {
  /** What the editor of the cell begins with; `null` while none is edited. */
  readonly editing: string | null;
  readonly typed: TypedCells;
  /** How a column is edited, if it is. */
  editOf(column: number | null): CellEdit<Row> | undefined;
  /** Begins with a text, else with what stands in the cell. */
  editAt(place: number, column: number | null, text?: string | null): void;
  /** Gives where the keyboard goes on to, `null` where it has gone elsewhere; `text`: `null` leaves the cell as it was. */
  endEdit(text: string | null, end: EditEnd): { readonly place: number; readonly column: number } | null;
  /** Edits a cell that is shown, wherever the keyboard stands; gives its place. */
  editCell(key: number, columnId: string): number | null;
  /** Lets go what was typed into the cell that the keyboard stands on; `false` where there is nothing. */
  letGo(): boolean;
}

/** Edits in the cells of a grid: the keyboard goes on at once, what was typed is taken behind it. */
export function useCellEditing<Row extends object>(options: CellEditingOptions<Row>): CellEditing<Row> {
  const { rows, keyOf, columns, block, column, count, rowAt, placeOf, onEdit } = options;
  const [editing, setEditing] = useState<string | null>(null);
  const typed = useTypedCells(async (key, columnId, text) => {
    const row = rows.find((one) => keyOf(one) === key);
    return row && onEdit ? onEdit(row, columnId, text) : 'It is not here any more.';
  });
  const columnIdAt = (at: number | null) => columns[at ?? 0]?.id ?? '';
  const editOf: CellEditing<Row>['editOf'] = (at) => (at === null || !onEdit ? undefined : columns[at]?.edit);
  const typedAt = (row: Row, at: number | null) => typed.rows.get(keyOf(row))?.get(columnIdAt(at));
  const editAt: CellEditing<Row>['editAt'] = (place, at, text = null) => {
    const [row, edit] = [rowAt(place), editOf(at)];
    if (!row || !edit) return;
    block.moveTo(place, false);
    block.toColumn(at);
    setEditing(text ?? typedAt(row, at)?.text ?? edit.value(row));
  };
  const editCell: CellEditing<Row>['editCell'] = (key, columnId) => {
    const [place, at] = [placeOf(key), columns.findIndex(({ id }) => id === columnId)];
    if (place < 0 || at < 0) return null;
    editAt(place, at);
    return place;
  };
  /** Back to what was refused, unless the keyboard has gone on meanwhile; then it is said where it is. */
  const returnTo = (key: number, columnId: string, from: { readonly place: number; readonly column: number }) => {
    const isThere = editing === null && block.active === from.place && column === from.column;
    if (isThere && options.scroller.current?.contains(document.activeElement)) editCell(key, columnId);
  };
  const latest = useRef(returnTo);
  useEffect(() => {
    latest.current = returnTo;
  });
  return {
    editing,
    typed,
    editOf,
    editAt,
    editCell,
    endEdit: (text, end) => {
      const row = rowAt(block.active);
      const columnId = columnIdAt(column);
      const next =
        end === 'away' || column === null
          ? null
          : {
              place: Math.min(count - 1, block.active + (end === 'down' ? 1 : 0)),
              column: Math.max(0, Math.min(columns.length - 1, column + (end === 'right' ? 1 : end === 'left' ? -1 : 0))),
            };
      setEditing(null);
      if (next) {
        block.moveTo(next.place, false);
        block.toColumn(next.column);
      }
      if (!row) return next;
      const isAsBefore = text === null || (text === editOf(column)?.value(row) && !typedAt(row, column));
      if (isAsBefore) typed.letGo(keyOf(row), columnId);
      else typed.take(keyOf(row), columnId, text, () => next && latest.current(keyOf(row), columnId, next));
      return next;
    },
    letGo: () => {
      const row = rowAt(block.active);
      if (!row || column === null || !typedAt(row, column)) return false;
      typed.letGo(keyOf(row), columnIdAt(column));
      return true;
    },
  };
}
