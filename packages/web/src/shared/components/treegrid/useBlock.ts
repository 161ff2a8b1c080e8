import { useState } from 'react';

export interface Block {
  /** Place of the row that the keyboard stands on. */
  readonly active: number;
  /** Place of the cell in that row, or `null` where the keyboard stands on the row as a whole. */
  readonly column: number | null;
  readonly first: number;
  readonly last: number;
  moveTo(place: number, isExtending: boolean): void;
  /** On a cell of the row, or on the row as a whole. */
  toColumn(column: number | null): void;
  all(): void;
}

/** The row, or the cell of it, that the keyboard stands on, and the block of rows around it, by place among the rows shown. */
export function useBlock(count: number): Block {
  const [{ active, column, anchor }, move] = useState<{ active: number; anchor: number; column: number | null }>({ active: 0, anchor: 0, column: null });
  const within = (place: number) => Math.max(0, Math.min(count - 1, place));
  return {
    active: within(active),
    column,
    first: within(Math.min(active, anchor)),
    last: within(Math.max(active, anchor)),
    moveTo: (place, isExtending) => move((before) => ({ ...before, active: within(place), anchor: isExtending ? before.anchor : within(place) })),
    toColumn: (next) => move((before) => ({ ...before, column: next })),
    all: () => move((before) => ({ ...before, anchor: 0, active: within(count - 1) })),
  };
}
