import type { KeyboardEvent } from 'react';
import type { CellEdit } from './gridColumn.ts';

/** What a key does to the grid; the grid carries it out. */
export type GridCommand =
  | { readonly kind: 'to_row'; readonly place: number; readonly isExtending: boolean }
  | { readonly kind: 'to_column'; readonly column: number | null }
  | { readonly kind: 'toggle' | 'open' | 'all' | 'fill_down' }
  /** `null`: with what stands in the cell. */
  | { readonly kind: 'edit'; readonly text: string | null };

export interface GridKeyFacts {
  readonly place: number;
  readonly count: number;
  /** The cell that the keyboard stands on, or `null` for the row as a whole. */
  readonly column: number | null;
  readonly columns: number;
  /** How that cell is edited, if it is. */
  readonly edit: Pick<CellEdit<never>, 'choices'> | undefined;
  /** Whether what is nested in the row is put away; `null` where nothing is. */
  readonly isShut: boolean | null;
  /** The place of the row that it is nested in; `null` at the top, and where nothing is shown as nested. */
  readonly parent: number | null;
}

type Key = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>;

const rowsPerPage = 20;

/** The command of a key, by the treegrid pattern of WAI-ARIA: on a row, or on one of its cells; `null` for a key without one. */
export function commandOf(event: Key, facts: GridKeyFacts): GridCommand | null {
  // Ctrl Enter is the screen's own: it saves.
  if (event.altKey || (event.key === 'Enter' && (event.ctrlKey || event.metaKey))) return null;
  return (facts.column === null ? null : cellCommand(event, facts, facts.column)) ?? walkCommand(event, facts) ?? rowCommand(event, facts);
}

function cellCommand(event: Key, { columns, edit }: GridKeyFacts, column: number): GridCommand | null {
  const isControl = event.ctrlKey || event.metaKey;
  switch (event.key) {
    case 'ArrowRight':
      return { kind: 'to_column', column: Math.min(columns - 1, column + 1) };
    case 'ArrowLeft':
      return { kind: 'to_column', column: column === 0 ? null : column - 1 };
    case 'Home':
    case 'End':
      return isControl ? null : { kind: 'to_column', column: event.key === 'Home' ? 0 : columns - 1 };
    case 'Escape':
      return { kind: 'to_column', column: null };
    case 'Enter':
    case 'F2':
      return edit ? { kind: 'edit', text: null } : null;
    case 'Delete':
    case 'Backspace':
      return edit && !edit.choices ? { kind: 'edit', text: '' } : null;
    default:
      if (!edit) return null;
      if (isControl) return event.key === 'd' ? { kind: 'fill_down' } : null;
      // A letter begins a text anew; where there are choices, it takes the first that begins with it.
      if ([...event.key].length !== 1 || event.key === ' ') return null;
      return { kind: 'edit', text: edit.choices ? (edit.choices.find((choice) => choice.startsWith(event.key)) ?? null) : event.key };
  }
}

/** Where a key walks to among rows; `null` for one that walks nowhere. With Ctrl, Home and End are of the table also where a cell has the keyboard. */
function walkedTo(key: string, place: number, count: number): number | null {
  const steps: Readonly<Record<string, number>> = {
    ArrowDown: place + 1,
    ArrowUp: place - 1,
    PageDown: place + rowsPerPage,
    PageUp: place - rowsPerPage,
    Home: 0,
    End: count - 1,
  };
  const to = steps[key];
  return to === undefined ? null : Math.max(0, Math.min(count - 1, to));
}

function walkCommand({ key, shiftKey }: Key, { place, count }: GridKeyFacts): GridCommand | null {
  const to = walkedTo(key, place, count);
  return to === null ? null : { kind: 'to_row', place: to, isExtending: shiftKey };
}

function rowCommand({ key, ctrlKey, metaKey }: Key, { isShut, parent, columns }: GridKeyFacts): GridCommand | null {
  if (key === 'a' && (ctrlKey || metaKey)) return { kind: 'all' };
  if (key === 'ArrowLeft' && isShut !== false) return parent === null ? null : { kind: 'to_row', place: parent, isExtending: false };
  if (key === 'ArrowLeft' || (key === 'ArrowRight' && isShut === true)) return { kind: 'toggle' };
  if (key === 'ArrowRight') return columns === 0 ? null : { kind: 'to_column', column: 0 };
  return key === 'Enter' ? { kind: 'open' } : null;
}

/** The place of the row that one is nested in, by how deep each is; `null` for none. */
export function parentPlace(place: number, depthAt: (place: number) => number): number | null {
  for (let at = place - 1; at >= 0; at--) if (depthAt(at) < depthAt(place)) return at;
  return null;
}
