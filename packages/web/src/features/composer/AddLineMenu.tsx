import type { OwnLayout, OwnLineKind } from '@ivory-ladder/core';
import ExpandMore from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import styles from './ComposerScreen.module.css';
import { lineKinds } from './lineKinds.ts';

interface AddLineMenuProps {
  /** Of the layout: cash has a place in a cash flow alone. */
  readonly kind: OwnLayout['kind'];
  readonly onAdd: (kind: OwnLineKind) => void;
  readonly onChoose: () => void;
}

/** A line of a kind behind the chosen one, or lines from the chart. */
export function AddLineMenu({ kind: of, onAdd, onChoose }: AddLineMenuProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button endIcon={<ExpandMore />} aria-haspopup="menu" aria-expanded={anchor !== null} onClick={(event) => setAnchor(event.currentTarget)}>
        Add line
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)} disableRestoreFocus>
        <MenuItem
          onClick={() => {
            setAnchor(null);
            onChoose();
          }}
        >
          <span className={styles.kind}>From the chart…</span>
          <small className={styles.says}>accounts, categories, report codes; one line each or for all</small>
        </MenuItem>
        <Divider />
        {lineKinds
          .filter(({ kind }) => kind !== 'cash' || of === 'cash_flow')
          .map(({ kind, caption, says }) => (
            <MenuItem
              key={kind}
              onClick={() => {
                setAnchor(null);
                onAdd(kind);
              }}
            >
              <span className={styles.kind}>{caption}</span>
              <small className={styles.says}>{says}</small>
            </MenuItem>
          ))}
      </Menu>
    </>
  );
}
