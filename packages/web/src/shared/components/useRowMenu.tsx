import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { type MouseEvent, type ReactNode, useState } from 'react';

/** Something that can be done with a row. */
export interface RowChoice {
  readonly label: string;
  /** The key that does the same on the row. */
  readonly keys?: string;
  readonly disabled?: boolean;
  readonly onChoose: () => void;
}

interface Opened {
  readonly x: number;
  readonly y: number;
  readonly choices: readonly RowChoice[];
}

/** The menu of a row, opened by the other mouse button, the menu key or Shift F10; browsers tell of all three in one way. */
export function useRowMenu(): { open(event: MouseEvent, choices: readonly RowChoice[]): void; readonly drawn: ReactNode } {
  const [opened, setOpened] = useState<Opened | null>(null);
  const close = () => setOpened(null);
  return {
    open: (event, choices) => {
      if (choices.length === 0) return;
      event.preventDefault();
      // By a key there is no place of a pointer: the menu stands at the row.
      const row = (event.target as HTMLElement).getBoundingClientRect();
      const isByKey = event.clientX === 0 && event.clientY === 0;
      setOpened({ x: isByKey ? row.left + 24 : event.clientX, y: isByKey ? row.bottom : event.clientY, choices });
    },
    drawn: opened && (
      <Menu open onClose={close} anchorReference="anchorPosition" anchorPosition={{ top: opened.y, left: opened.x }}>
        {opened.choices.map(({ label, keys, disabled = false, onChoose }) => (
          <MenuItem
            key={label}
            disabled={disabled}
            onClick={() => {
              close();
              onChoose();
            }}
          >
            {label}
            {keys !== undefined && <span style={{ marginLeft: 'auto', paddingLeft: 24, color: 'var(--ink-second)', fontSize: 12 }}>{keys}</span>}
          </MenuItem>
        ))}
      </Menu>
    ),
  };
}
