import { useDraggable } from '@dnd-kit/core';
import { type Currency, formatAmount } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { useMay } from '../../app/useCompany.ts';
import { counted } from '../../components/counted.ts';
import { onNaturalSide, type PlacedAccount, type PlacementModel } from './placementModel.ts';
import { ToLookAt } from './ToLookAt.tsx';
import styles from './UnplacedPanel.module.css';

interface UnplacedPanelProps {
  readonly model: PlacementModel;
  readonly currency: Currency;
  readonly selected: ReadonlySet<number>;
  readonly onSelect: (selected: ReadonlySet<number>) => void;
  readonly onMove: () => void;
  readonly onChoose: (categoryId: number) => void;
}

/** The work to be done: accounts that stand in no category, with what is at stake. */
export function UnplacedPanel({ model, currency, selected, onSelect, onMove, onChoose }: UnplacedPanelProps) {
  const { unplaced } = model;
  const mayPlace = useMay('preparer');
  const [filter, setFilter] = useState('');
  const scroller = useRef<HTMLDivElement>(null);
  const lastPicked = useRef<number>(-1);
  const shown = useMemo(() => {
    const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
    return unplaced.filter(({ label, element }) => words.every((word) => `${label} ${element}`.toLowerCase().includes(word)));
  }, [unplaced, filter]);
  const virtual = useVirtualizer({ count: shown.length, getScrollElement: () => scroller.current, estimateSize: () => 56, overscan: 8 });
  const atStake = unplaced.reduce((sum, { amount }) => sum + (BigInt(amount) < 0n ? -BigInt(amount) : BigInt(amount)), 0n);
  const picked = shown.filter(({ id }) => selected.has(id)).length;
  const pick = (at: number, extend: boolean) => {
    const next = new Set(selected);
    const account = shown[at];
    if (!account) return;
    if (extend && lastPicked.current >= 0)
      for (let index = Math.min(at, lastPicked.current); index <= Math.max(at, lastPicked.current); index++) next.add((shown[index] as PlacedAccount).id);
    else if (next.has(account.id)) next.delete(account.id);
    else next.add(account.id);
    lastPicked.current = at;
    onSelect(next);
  };
  return (
    <section className={styles.panel} aria-labelledby="unplaced">
      <h2 id="unplaced">Unplaced</h2>
      {unplaced.length === 0 ? (
        <p className={styles.done}>
          <span aria-hidden>✓</span> Every account stands in a category. Nothing is left to place.
        </p>
      ) : (
        <>
          <p className={styles.quiet}>
            {counted(unplaced.length, 'account')}, {formatAmount(atStake, currency)} in total. A statement that misses them is wrong.
          </p>
          {unplaced.length > 8 && (
            <input
              className={styles.filter}
              type="search"
              placeholder="Filter"
              aria-label="Filter unplaced accounts"
              value={filter}
              onChange={(event) => setFilter(event.target.value)}
            />
          )}
          {mayPlace && (
            <div className={styles.tools}>
              <label>
                <input
                  type="checkbox"
                  checked={picked > 0 && picked === shown.length}
                  ref={(box) => {
                    if (box) box.indeterminate = picked > 0 && picked < shown.length;
                  }}
                  onChange={(event) => onSelect(event.target.checked ? new Set(shown.map(({ id }) => id)) : new Set())}
                />
                {picked > 0 ? `${picked} chosen` : 'all'}
              </label>
              <Button variant="contained" disabled={selected.size === 0} onClick={onMove} title="M">
                Move to…
              </Button>
            </div>
          )}
        </>
      )}
      <div ref={scroller} className={styles.scroller}>
        <ul style={{ height: virtual.getTotalSize() }} aria-label="Unplaced accounts">
          {virtual.getVirtualItems().map(({ index, start }) => {
            const account = shown[index] as PlacedAccount;
            const pathsOf = (ids: readonly number[]) => ids.map((id) => model.tree.nodes.get(id)?.category.name).join(' and ');
            return (
              <li key={account.id} style={{ transform: `translateY(${start}px)` }}>
                <Card
                  account={account}
                  doubledIn={pathsOf(account.doubledIn)}
                  oddIn={pathsOf(account.oddIn)}
                  currency={currency}
                  isSelected={selected.has(account.id)}
                  onPick={(extend) => pick(index, extend)}
                />
              </li>
            );
          })}
        </ul>
      </div>
      <ToLookAt model={model} onChoose={onChoose} />
    </section>
  );
}

function Card({
  account,
  doubledIn,
  oddIn,
  currency,
  isSelected,
  onPick,
}: {
  account: PlacedAccount;
  doubledIn: string;
  oddIn: string;
  currency: Currency;
  isSelected: boolean;
  onPick: (extend: boolean) => void;
}) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: account.id });
  return (
    <label ref={setNodeRef} {...listeners} className={styles.card} data-chosen={isSelected || undefined} data-dragging={isDragging || undefined}>
      <input type="checkbox" checked={isSelected} onChange={(event) => onPick((event.nativeEvent as MouseEvent).shiftKey === true)} />
      <span className={styles.name} title={account.label}>
        {account.label}
      </span>
      <span className={styles.amount}>{formatAmount(onNaturalSide(BigInt(account.amount), account.element), currency)}</span>
      <span className={styles.element}>
        {account.element}
        {account.isParent && ' · has sub-accounts'}
        {doubledIn !== '' && ` · doubled by the ranges of ${doubledIn}`}
        {oddIn !== '' && ` · in a range of ${oddIn}, which cannot take it`}
      </span>
    </label>
  );
}
