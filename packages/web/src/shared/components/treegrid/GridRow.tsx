import { memo, type ReactNode, type RefObject } from 'react';
import { CellEditor, type EditEnd } from './CellEditor.tsx';
import type { GridColumn } from './gridColumn.ts';
import type { DropZone } from './rowDrag.ts';
import styles from './TreeGrid.module.css';
import { rowMarks } from './useRowWalk.ts';
import type { TypedRow } from './useTypedCells.ts';

/** What a row asks the grid to do. */
export interface RowActions<Row> {
  toggle(row: Row): void;
  press(row: Row, place: number, isExtending: boolean): void;
  stand(place: number): void;
  editAt(place: number, column: number): void;
  /** `text`: what is to stand in the cell that was edited, `null` where it is left as it was. */
  endEdit(text: string | null, end: EditEnd): void;
}

interface GridRowProps<Row> {
  readonly row: Row;
  /** Place among the rows shown. */
  readonly place: number;
  /** Pixels from the top; `null` where rows simply follow each other, as on paper. */
  readonly start: number | null;
  readonly depth: number;
  readonly isIndented: boolean;
  readonly columns: readonly GridColumn<Row>[];
  /** Whether what is nested in it is put away; `null` where nothing is, or nothing is shown as nested. */
  readonly isShut: boolean | null;
  readonly isSelected: boolean;
  readonly isActive: boolean;
  /** The cell that the keyboard stands on. */
  readonly activeColumn: number | null;
  /** What the cell’s editor begins with. */
  readonly editing: string | null;
  /** What was typed into its cells and does not stand there yet. */
  readonly typed: TypedRow | undefined;
  readonly drop: DropZone | 'refused' | null;
  readonly detail: ReactNode;
  readonly isWrong: boolean;
  readonly isFaint: boolean;
  readonly opens: boolean;
  readonly attach: (element: HTMLElement | null) => void;
  /** The same for the life of the grid, so that rows are drawn anew only where they change. */
  readonly actions: RefObject<RowActions<Row>>;
}

function DrawnRow<Row extends object>(props: GridRowProps<Row>) {
  const { row, place, start, depth, isIndented, columns, isShut, activeColumn, editing, typed, actions } = props;
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the row group around the rows takes the keys
    <div
      ref={props.attach}
      role="row"
      {...rowMarks({ depth, isShut, isChosen: props.isSelected, takesTab: props.isActive && activeColumn === null })}
      aria-rowindex={place + 2}
      data-index={place}
      data-wrong={props.isWrong || undefined}
      data-faint={props.isFaint || undefined}
      data-opens={props.opens || undefined}
      data-drop={props.drop ?? undefined}
      className={styles.row}
      style={start === null ? undefined : { transform: `translateY(${start}px)` }}
      onFocus={(event) => event.target === event.currentTarget && !props.isActive && actions.current.stand(place)}
      // A click with shift takes rows; the text between the two is not marked, or it would be copied in their place.
      onMouseDown={(event) => event.shiftKey && !(event.target as HTMLElement).closest('button, input, select') && event.preventDefault()}
      onClick={(event) => {
        if ((event.target as HTMLElement).closest('button, input, select')) return;
        actions.current.press(row, place, event.shiftKey);
      }}
    >
      {columns.map((column, at) => {
        const isHere = activeColumn === at;
        const isEdited = isHere && editing !== null && column.edit !== undefined;
        const typedHere = typed?.get(column.id);
        return (
          <span
            key={column.id}
            role="gridcell"
            tabIndex={isHere ? 0 : undefined}
            data-column={at}
            data-editing={isEdited || undefined}
            data-typed={typedHere && !isEdited ? (typedHere.refusal === null ? 'waiting' : 'refused') : undefined}
            className={column.isAmount ? styles.amount : undefined}
            style={at === 0 && isIndented ? { paddingLeft: depth * 16 + (isShut === null ? 16 : 0) } : undefined}
            onDoubleClick={column.edit && (() => actions.current.editAt(place, at))}
          >
            {at === 0 && isShut !== null && (
              <button type="button" tabIndex={-1} className={styles.opener} aria-label={isShut ? 'Open' : 'Shut'} onClick={() => actions.current.toggle(row)}>
                {isShut ? '▸' : '▾'}
              </button>
            )}
            {isEdited ? (
              <CellEditor
                label={column.caption}
                edit={column.edit}
                initial={editing}
                refusal={typedHere?.refusal ?? null}
                onEnd={(text, end) => actions.current.endEdit(text, end)}
              />
            ) : (
              (typedHere?.text ?? column.cell(row))
            )}
          </span>
        );
      })}
      {props.detail !== undefined && props.detail !== null && (
        <span role="gridcell" className={styles.detail}>
          {props.detail}
        </span>
      )}
    </div>
  );
}

/** One row; drawn anew only where something of it has changed, since scrolling passes by hundreds. */
export const GridRow = memo(DrawnRow) as typeof DrawnRow;
