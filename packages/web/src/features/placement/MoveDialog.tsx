import { checkPlaces, counterElement, type Element, elements, type PlaceSide, pathOf, walkCategories } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { type KeyboardEvent, useId, useMemo, useState } from 'react';
import { standsIn } from '../../shared/api/standsIn.ts';
import { elementName, type PlacedAccount, type PlacementModel } from '../rehearsal/index.ts';
import styles from './MoveDialog.module.css';

interface MoveDialogProps {
  readonly model: PlacementModel;
  readonly accounts: readonly PlacedAccount[];
  /** Chosen to begin with. */
  readonly side?: PlaceSide;
  readonly onClose: () => void;
  readonly onMove: (target: { id: number; name: string }, side: PlaceSide) => void;
}

const sides: readonly { value: PlaceSide; label: string }[] = [
  { value: 'any', label: 'whatever the balance' },
  { value: 'debit', label: 'only while in debit' },
  { value: 'credit', label: 'only while in credit' },
];

/** Finds a category by any part of its path; those the accounts may not stand under are shown with the reason. */
export function MoveDialog({ model, accounts, side: sideAtFirst = 'any', onClose, onMove }: MoveDialogProps) {
  const listId = useId();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const [side, setSide] = useState<PlaceSide>(sideAtFirst);
  const targets = useMemo(() => {
    const all: { id: number; name: string; path: string; element: string; of: Element; refused: boolean }[] = [];
    for (const element of elements)
      walkCategories(model.tree.tops.get(element) ?? [], (node) => {
        const { id, name } = node.category;
        const kept = (account: PlacedAccount) =>
          standsIn(account)
            .filter((place) => side !== 'any' && place.side !== side)
            .map((place) => ({ ...place, side: side === 'debit' ? ('credit' as const) : ('debit' as const) }));
        const refused = accounts.some((account) => !checkPlaces(account, [{ side, categoryId: id }, ...kept(account)], model.tree).ok);
        all.push({ id, name, path: pathOf(node).join(' › '), element: elementName(element), of: element, refused });
      });
    // A side is moved for what the other element has for it: an overdraft, a customer in credit.
    const counter = side === 'any' || !accounts[0] ? null : counterElement(accounts[0].element);
    const rank = ({ refused, of }: (typeof all)[number]) => (refused ? 2 : counter === null || of === counter ? 0 : 1);
    return all.sort((a, b) => rank(a) - rank(b));
  }, [model, accounts, side]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = targets.filter(({ path, element }) => words.every((word) => `${element} ${path}`.toLowerCase().includes(word)));
  const go = (index: number) => {
    const target = shown[index];
    if (target && !target.refused) onMove({ id: target.id, name: target.name }, side);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0) {
      const next = Math.max(0, Math.min(shown.length - 1, at + step));
      setAt(next);
      document.getElementById(`${listId}-${next}`)?.scrollIntoView({ block: 'nearest' });
    } else if (event.key === 'Enter') go(at);
    else return;
    event.preventDefault();
  };
  const first = accounts[0];
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby={`${listId}-title`}>
      <DialogTitle id={`${listId}-title`}>
        Move {accounts.length === 1 && first ? first.label : `${accounts.length} accounts`}
        {side !== 'any' && ` while in ${side}`} to…
      </DialogTitle>
      <DialogContent sx={{ pt: '6px !important' }}>
        <input
          className={styles.input}
          autoFocus
          role="combobox"
          aria-expanded
          aria-controls={listId}
          aria-activedescendant={`${listId}-${at}`}
          aria-label="Find a category"
          placeholder="Any part of the category's path"
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setAt(0);
          }}
          onKeyDown={onKeyDown}
        />
        <ul id={listId} role="listbox" aria-label="Categories" className={styles.list}>
          {shown.map((target, index) => (
            <li
              key={target.id}
              id={`${listId}-${index}`}
              role="option"
              aria-selected={index === at}
              aria-disabled={target.refused}
              onMouseEnter={() => setAt(index)}
              onClick={() => go(index)}
              onKeyDown={onKeyDown}
            >
              <span>{target.path}</span>
              <span className={styles.element}>{target.refused ? `${target.element}: not for ${first?.element} accounts` : target.element}</span>
            </li>
          ))}
        </ul>
        <fieldset className={styles.sides}>
          <legend>The account stands there</legend>
          {sides.map(({ value, label }) => (
            <label key={value}>
              <input type="radio" name={`${listId}-side`} checked={side === value} onChange={() => setSide(value)} /> {label}
            </label>
          ))}
        </fieldset>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={shown[at] === undefined || shown[at].refused} onClick={() => go(at)}>
          Move{shown[at] && !shown[at].refused ? ` to ${shown[at].name}` : ''}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
