import ArrowDownward from '@mui/icons-material/ArrowDownward';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import ExpandMore from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Popover from '@mui/material/Popover';
import { type KeyboardEvent, useState } from 'react';
import styles from './ColumnsMenu.module.css';
import { type ColumnChoice, moved, settledChoice, toggled } from './columnChoice.ts';
import type { GridColumn } from './gridColumn.ts';

interface ColumnsMenuProps {
  readonly columns: readonly Pick<GridColumn<never>, 'id' | 'caption' | 'width' | 'isExtra'>[];
  readonly choice: readonly ColumnChoice[];
  readonly onChoice: (choice: readonly ColumnChoice[]) => void;
}

/** Which columns are shown and in which order; widths are changed at the edges of the headings. */
export function ColumnsMenu({ columns, choice, onChoice }: ColumnsMenuProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const settled = settledChoice(columns, choice);
  const [first] = settled;
  const hidden = columns.filter(({ id }) => !settled.some((one) => one.id === id));
  const captionOf = (id: string) => columns.find((column) => column.id === id)?.caption ?? id;
  const onKeyDown = (event: KeyboardEvent, id: string) => {
    const step = event.altKey ? ({ ArrowUp: -1, ArrowDown: 1 } as const)[event.key] : undefined;
    if (step === undefined) return;
    event.preventDefault();
    onChoice(moved(settled, id, step));
  };
  return (
    <>
      <Button
        variant="outlined"
        endIcon={<ExpandMore />}
        aria-haspopup="dialog"
        aria-expanded={anchor !== null}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Columns
      </Button>
      <Popover
        anchorEl={anchor}
        open={anchor !== null}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { 'aria-label': 'Columns', role: 'dialog' } }}
      >
        <ul className={styles.list}>
          {[...settled.map(({ id }) => id), ...hidden.map(({ id }) => id)].map((id) => {
            const place = settled.findIndex((one) => one.id === id);
            return (
              <li key={id}>
                <label>
                  <input
                    type="checkbox"
                    checked={place >= 0}
                    disabled={id === first?.id}
                    onChange={() => onChoice(toggled(settled, id))}
                    onKeyDown={(event) => onKeyDown(event, id)}
                  />
                  {captionOf(id)}
                </label>
                {place > 0 && (
                  <span>
                    <IconButton
                      size="small"
                      aria-label={`${captionOf(id)} further to the left`}
                      disabled={place === 1}
                      onClick={() => onChoice(moved(settled, id, -1))}
                    >
                      <ArrowUpward fontSize="inherit" />
                    </IconButton>
                    <IconButton
                      size="small"
                      aria-label={`${captionOf(id)} further to the right`}
                      disabled={place === settled.length - 1}
                      onClick={() => onChoice(moved(settled, id, 1))}
                    >
                      <ArrowDownward fontSize="inherit" />
                    </IconButton>
                  </span>
                )}
              </li>
            );
          })}
        </ul>
        <div className={styles.foot}>
          <span>Alt with ↑ or ↓ orders them; the edge of a heading sets its width.</span>
          <Button disabled={choice.length === 0} onClick={() => onChoice([])}>
            As at first
          </Button>
        </div>
      </Popover>
    </>
  );
}
