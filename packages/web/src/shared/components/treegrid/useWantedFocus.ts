import { type RefObject, useLayoutEffect, useReducer, useRef } from 'react';

/**
 * Puts the focus on a row, or a cell of it, as soon as it is drawn, which may only be once it has been scrolled to;
 * not while a cell is edited (`isHeld`).
 */
export function useWantedFocus(scroller: RefObject<HTMLElement | null>, isHeld: boolean): (place: number, column: number | null) => void {
  const wanted = useRef<{ place: number; column: number | null } | null>(null);
  const [, redraw] = useReducer((count: number) => count + 1, 0);
  useLayoutEffect(() => {
    if (wanted.current === null || isHeld) return;
    const { place, column } = wanted.current;
    const row = scroller.current?.querySelector<HTMLElement>(`[data-index="${place}"]`);
    const target = column === null ? row : row?.querySelector<HTMLElement>(`[data-column="${column}"]`);
    if (target?.tabIndex !== 0) return;
    wanted.current = null;
    target.focus({ preventScroll: true });
    if (column !== null) target.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  });
  return (place, column) => {
    wanted.current = { place, column };
    redraw();
  };
}
