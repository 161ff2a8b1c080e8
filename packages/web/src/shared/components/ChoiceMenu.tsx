import Check from '@mui/icons-material/Check';
import ExpandMore from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useRef, useState } from 'react';

interface Choice<Value extends string> {
  readonly value: Value;
  readonly label: string;
  readonly divided?: boolean;
}

interface ChoiceMenuProps<Value extends string> {
  readonly label: string;
  readonly choices: readonly Choice<Value>[];
  readonly chosen: readonly Value[];
  readonly onChoose: (value: Value) => void;
  readonly strong?: boolean;
  /** For what is asked for only once somebody looks. */
  readonly onOpen?: () => void;
}

/** A button that says what is chosen and opens the choices; used where a select box would be too loud. */
export function ChoiceMenu<Value extends string>({ label, choices, chosen, onChoose, strong = false, onOpen }: ChoiceMenuProps<Value>) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  // One that nobody has opened is not drawn, with whatever stands around it, again and again.
  const wasOpened = useRef(false);
  if (anchor) wasOpened.current = true;
  return (
    <>
      <Button
        variant={strong ? 'contained' : 'outlined'}
        endIcon={<ExpandMore />}
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onClick={(event) => {
          setAnchor(event.currentTarget);
          onOpen?.();
        }}
      >
        {label}
      </Button>
      {wasOpened.current && (
        <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
          {choices.map(({ value, label: text, divided }) => (
            <MenuItem
              key={value}
              divider={divided ?? false}
              selected={chosen.includes(value)}
              onClick={() => {
                setAnchor(null);
                onChoose(value);
              }}
            >
              <span style={{ width: 22, display: 'inline-grid' }}>{chosen.includes(value) && <Check fontSize="inherit" />}</span>
              {text}
            </MenuItem>
          ))}
        </Menu>
      )}
    </>
  );
}
