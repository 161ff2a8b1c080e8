import { type KeyboardEvent, type RefObject, useEffect, useRef } from 'react';
import { commandOf, parentPlace } from './gridKeys.ts';

export interface WalkedRow {
  readonly key: string;
  readonly depth: number;
  /** Whether what is nested in it is put away; `null` where nothing is. */
  readonly isShut: boolean | null;
}

interface RowWalk {
  readonly body: RefObject<HTMLElement | null>;
  /** Of the element of a row, with its key as the value. */
  readonly attribute: `data-${string}`;
  /** From top to bottom, as they are walked. */
  readonly rows: readonly WalkedRow[];
  /** Draws a row that may be far away. */
  readonly bring?: (key: string) => void;
  readonly onWalk?: (key: string, isExtending: boolean) => void;
  readonly onToggle: (key: string, isShut: boolean) => void;
  readonly onOpen: (key: string) => void;
  readonly onAll?: () => void;
  /** Keys of the screen’s own on a row; `true` for one that was taken. */
  readonly onRowKey?: (event: KeyboardEvent, key: string) => boolean;
}

/** The keyboard of a tree whose rows have no cells to stand on, whatever they look like; `rowMarks` is what each says of itself. */
export function useRowWalk({ body, attribute, rows, bring, onWalk, onToggle, onOpen, onAll, onRowKey }: RowWalk) {
  const wanted = useRef<string | null>(null);
  const elementOf = (key: string) => body.current?.querySelector<HTMLElement>(`[${attribute}=${JSON.stringify(key)}]`);
  // A row that moved, or that was not drawn, gets the focus once it is there.
  useEffect(() => {
    if (wanted.current === null) return;
    const row = elementOf(wanted.current);
    row?.focus();
    if (row) wanted.current = null;
  });
  const focusOn = (key: string) => {
    wanted.current = key;
    bring?.(key);
    elementOf(key)?.focus();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const key = (event.target as HTMLElement).getAttribute(attribute);
    const place = rows.findIndex((row) => row.key === key);
    const row = rows[place];
    if (!row) return;
    if (onRowKey?.(event, row.key)) return event.preventDefault();
    const facts = { place, count: rows.length, parent: parentPlace(place, (at) => rows[at]?.depth ?? 0), isShut: row.isShut };
    const command = commandOf(event, { ...facts, column: null, columns: 0, edit: undefined });
    if (!command) return;
    event.preventDefault();
    if (command.kind === 'to_row') {
      const to = rows[command.place]?.key ?? row.key;
      onWalk?.(to, command.isExtending);
      focusOn(to);
    } else if (command.kind === 'toggle') onToggle(row.key, row.isShut !== true);
    else if (command.kind === 'open') onOpen(row.key);
    else if (command.kind === 'all') onAll?.();
  };
  return {
    onKeyDown,
    focusOn,
    /** Where the focus goes on with the next drawing; `null` leaves it. */
    keepOn: (key: string | null) => {
      wanted.current = key;
    },
    keyAt: (target: EventTarget): string | null => (target as HTMLElement).closest(`[${attribute}]`)?.getAttribute(attribute) ?? null,
  };
}

interface RowState {
  readonly depth: number;
  readonly isShut: boolean | null;
  readonly isChosen: boolean;
  readonly takesTab: boolean;
}

/** What a row of a tree says of itself, by the treegrid pattern of WAI-ARIA. */
export function rowMarks({ depth, isShut, isChosen, takesTab }: RowState) {
  return {
    'aria-level': depth + 1,
    'aria-selected': isChosen,
    ...(isShut === null ? {} : { 'aria-expanded': !isShut }),
    tabIndex: takesTab ? 0 : -1,
  };
}
