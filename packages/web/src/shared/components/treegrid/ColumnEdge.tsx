import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import styles from './TreeGrid.module.css';

/** Pixels that one press of a key makes a column wider or narrower. */
export const widthStep = 8;

export const headingWidth = (element: Element | null | undefined): number => element?.closest('[role=columnheader], th')?.getBoundingClientRect().width ?? 0;

interface ColumnEdgeProps {
  readonly onWidth: (pixels: number) => void;
  /** Of a heading that nothing else in it is reached by the keyboard: what the column is called. */
  readonly reachedAs?: string;
}

/** The right edge of a heading, dragged by the pointer. Where it is reached by the keyboard, arrows move it; elsewhere the heading has Alt and an arrow. */
export function ColumnEdge({ onWidth, reachedAs }: ColumnEdgeProps) {
  const start = useRef<{ x: number; width: number } | null>(null);
  const onPointerDown = (event: PointerEvent) => {
    event.preventDefault();
    event.currentTarget.setPointerCapture(event.pointerId);
    start.current = { x: event.clientX, width: headingWidth(event.currentTarget) };
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -widthStep, ArrowRight: widthStep }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    onWidth(headingWidth(event.currentTarget) + step);
  };
  const drag = {
    className: styles.edge,
    onPointerDown,
    onPointerMove: (event: PointerEvent) => start.current && onWidth(start.current.width + event.clientX - start.current.x),
    onPointerUp: () => {
      start.current = null;
    },
  };
  return reachedAs === undefined ? (
    <span aria-hidden {...drag} />
  ) : (
    <span
      role="slider"
      tabIndex={0}
      aria-label={`Width of ${reachedAs}`}
      aria-orientation="horizontal"
      aria-valuenow={0}
      aria-valuetext="← and → change it"
      onKeyDown={onKeyDown}
      {...drag}
    />
  );
}
