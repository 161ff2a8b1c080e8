/** Where a dragged row would land by the row under the pointer. */
export type DropZone = 'before' | 'inside' | 'after';

/** Rows that can be dragged to another place. */
export interface RowDrag<Row> {
  /** What is said beside the pointer of the row in hand. */
  readonly caption: (row: Row) => string;
  /** Why it cannot land there, or `null`. */
  readonly refusal: (dragged: Row, target: Row, zone: DropZone) => string | null;
  readonly onMoved: (dragged: Row, target: Row, zone: DropZone) => void;
  /** Why nothing can be dragged while the rows stand in another order. */
  readonly flatReason: string;
}

/** The upper and lower quarter of a row stand for the places beside it, its middle for the place inside. */
export function zoneAt(top: number, height: number, y: number): DropZone {
  const part = (y - top) / height;
  return part < 0.25 ? 'before' : part > 0.75 ? 'after' : 'inside';
}
