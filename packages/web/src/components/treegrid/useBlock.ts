import { type KeyboardEvent, useState } from 'react';

export interface Block {
  /** Place of the row that the keyboard stands on. */
  readonly active: number;
  readonly first: number;
  readonly last: number;
  moveTo(place: number, isExtending: boolean): void;
  all(): void;
}

/** The row the keyboard stands on and the block of rows around it, by place among the rows shown. */
export function useBlock(count: number): Block {
  const [{ active, anchor }, set] = useState({ active: 0, anchor: 0 });
  const within = (place: number) => Math.max(0, Math.min(count - 1, place));
  return {
    active: within(active),
    first: within(Math.min(active, anchor)),
    last: within(Math.max(active, anchor)),
    moveTo: (place, isExtending) => set((before) => ({ active: within(place), anchor: isExtending ? before.anchor : within(place) })),
    all: () => set({ anchor: 0, active: within(count - 1) }),
  };
}

/** Where a key leads from a place, or `null` for a key that does not walk rows. */
export function placeByKey(event: KeyboardEvent, from: number, count: number, rowsPerPage: number): number | null {
  switch (event.key) {
    case 'ArrowDown':
      return from + 1;
    case 'ArrowUp':
      return from - 1;
    case 'PageDown':
      return from + rowsPerPage;
    case 'PageUp':
      return from - rowsPerPage;
    case 'Home':
      return 0;
    case 'End':
      return count - 1;
    default:
      return null;
  }
}
