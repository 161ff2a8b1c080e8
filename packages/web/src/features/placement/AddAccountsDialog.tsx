import { type CategoryNode, type Currency, formatAmount, pathOf } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useState } from 'react';
import { standsIn } from '../../shared/api/standsIn.ts';
import { useRangePick } from '../../shared/components/useRangePick.ts';
import { counted } from '../../shared/words/counted.ts';
import { onNaturalSide, type PlacedAccount, usePlacement } from '../rehearsal/index.ts';
import styles from './AddAccountsDialog.module.css';

interface AddAccountsDialogProps {
  readonly currency: Currency;
  readonly node: CategoryNode;
  readonly onClose: () => void;
  readonly onAdd: (accounts: readonly PlacedAccount[]) => void;
}

/** Accounts of the category's element: unplaced ones first, then others with where they stand now. */
export function AddAccountsDialog({ currency, node, onClose, onAdd }: AddAccountsDialogProps) {
  const { model } = usePlacement();
  const { id, element, name } = node.category;
  const [scroller, setScroller] = useState<HTMLDivElement | null>(null);
  const [text, setText] = useState('');
  const [picked, setPicked] = useState<ReadonlySet<number>>(new Set());
  const candidates = useMemo(() => {
    const fitting = [...model.byId.values()].filter(
      (account) => account.element === element && !standsIn(account).some((place) => place.categoryId === id) && (!account.isParent || account.amount !== '0'),
    );
    return [...fitting.filter((account) => standsIn(account).length === 0), ...fitting.filter((account) => standsIn(account).length > 0)];
  }, [model, element, id]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = candidates.filter((account) => words.every((word) => account.label.toLowerCase().includes(word)));
  const virtual = useVirtualizer({ count: shown.length, getScrollElement: () => scroller, estimateSize: () => 40, overscan: 10 });
  const standing = (account: PlacedAccount) =>
    standsIn(account)
      .map(({ categoryId }) => model.tree.nodes.get(categoryId))
      .flatMap((place) => (place ? [pathOf(place).join(' › ')] : []));
  const pick = useRangePick(
    shown.map((account) => account.id),
    picked,
    setPicked,
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-label={`Add accounts to ${name}`}>
      <DialogTitle>Add accounts to {name}</DialogTitle>
      <DialogContent>
        <input
          className={styles.input}
          autoFocus
          type="search"
          placeholder="Number or part of a name"
          aria-label="Filter accounts"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <div ref={setScroller} className={styles.list}>
          <ul style={{ height: virtual.getTotalSize() }} aria-label={`Accounts of element ${element}`}>
            {virtual.getVirtualItems().map(({ index, start }) => {
              const account = shown[index] as PlacedAccount;
              const now = standing(account);
              return (
                <li key={account.id} style={{ transform: `translateY(${start}px)` }}>
                  <label>
                    <input type="checkbox" checked={picked.has(account.id)} onChange={(event) => pick(account.id, event)} />
                    <span>
                      {account.label}
                      <small data-unplaced={now.length === 0 || undefined}>{now.length === 0 ? 'unplaced' : `now in ${now.join(' and ')}`}</small>
                    </span>
                    <span>{formatAmount(onNaturalSide(BigInt(account.amount), element), currency)}</span>
                  </label>
                </li>
              );
            })}
          </ul>
        </div>
        {shown.length === 0 && (
          <p>{candidates.length === 0 ? `Every ${element} account stands here already.` : `No ${element} account has «${text}» in its number or name.`}</p>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={picked.size === 0} onClick={() => onAdd([...picked].flatMap((accountId) => model.byId.get(accountId) ?? []))}>
          Add {picked.size > 0 ? counted(picked.size, 'account') : 'accounts'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
