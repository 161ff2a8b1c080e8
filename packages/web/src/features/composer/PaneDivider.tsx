import type { PointerEvent } from 'react';
import styles from './ComposerScreen.module.css';

/** Between two panes: dragged, or moved with the arrow keys. */
export function PaneDivider({
  label,
  width,
  onDrag,
  onKey,
}: {
  readonly label: string;
  /** Pixels. */
  readonly width: number;
  readonly onDrag: (event: PointerEvent) => void;
  readonly onKey: (by: number) => void;
}) {
  return (
    <div
      className={styles.divider}
      role="separator"
      aria-orientation="vertical"
      aria-label={label}
      aria-valuenow={width}
      tabIndex={0}
      onPointerDown={onDrag}
      onKeyDown={(event) => {
        if (event.key === 'ArrowLeft') onKey(-16);
        if (event.key === 'ArrowRight') onKey(16);
      }}
    />
  );
}
