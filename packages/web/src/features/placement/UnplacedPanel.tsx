import { useDraggable } from '@dnd-kit/core';
import { type Currency, formatAmount, type Proposal } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ChangeEvent, memo, useMemo, useRef, useState } from 'react';
import { sameButFunctions } from '../../shared/components/sameButFunctions.ts';
import { useRangePick } from '../../shared/components/useRangePick.ts';
import { useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { onNaturalSide, type PlacedAccount, type PlacementModel, usePlacement, useProposals } from '../rehearsal/index.ts';
import { reasonsText } from './proposalWords.ts';
import { ToLookAt } from './ToLookAt.tsx';
import styles from './UnplacedPanel.module.css';
import { usePlacementActions } from './usePlacementActions.ts';
import type { RecentTarget } from './useRecentTargets.ts';

interface UnplacedPanelProps {
  readonly currency: Currency;
  readonly selected: ReadonlySet<number>;
  /** Where accounts were moved to last; the digit of its place moves what is chosen there. */
  readonly recent: readonly RecentTarget[];
  readonly onSelect: (selected: ReadonlySet<number>) => void;
  readonly onMove: () => void;
  readonly onMoveTo: (target: RecentTarget) => void;
  readonly onMoveOne: (account: PlacedAccount, target: RecentTarget) => void;
  readonly onChoose: (categoryId: number) => void;
}

const none: readonly Proposal[] = [];

/** The work to be done: accounts that stand in no category, with what is at stake. */
export function UnplacedPanel({ currency, selected, recent, onSelect, onMove, onMoveTo, onMoveOne, onChoose }: UnplacedPanelProps) {
  const { model, kept } = usePlacement();
  const { unplaced } = model;
  const mayPlace = useMay('keep_placement');
  const [filter, setFilter] = useState('');
  const scroller = useRef<HTMLDivElement>(null);
  const shown = useMemo(() => {
    const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
    return unplaced.filter(({ label, element }) => words.every((word) => `${label} ${element}`.toLowerCase().includes(word)));
  }, [unplaced, filter]);
  const actions = usePlacementActions();
  const proposals = useProposals();
  const proposed = (account: PlacedAccount) => (mayPlace ? (proposals.get(account.id)?.proposals ?? none) : none);
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => (proposed(shown[index] as PlacedAccount).length > 0 ? 122 : 56),
    getItemKey: (index) => `${shown[index]?.id} ${proposed(shown[index] as PlacedAccount).length > 0}`,
    overscan: 8,
  });
  const agreed = mayPlace ? shown.filter(({ id }) => proposals.get(id)?.agree) : [];
  const atStake = unplaced.reduce((sum, { amount }) => sum + (BigInt(amount) < 0n ? -BigInt(amount) : BigInt(amount)), 0n);
  const picked = shown.filter(({ id }) => selected.has(id)).length;
  const pick = useRangePick(
    shown.map(({ id }) => id),
    selected,
    onSelect,
  );
  // Cards and buttons are not drawn anew for what they call, so that what they call is the latest.
  const accept = () => actions.place(agreed.map((account) => [account, proposals.get(account.id)?.proposals[0]?.categoryId ?? 0] as const));
  const latest = useRef({ pick, accept });
  latest.current = { pick, accept };
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
            {counted(unplaced.length, 'account')}, {formatAmount(atStake, currency)} in total
            {kept.unplaced.length === unplaced.length ? '' : ` once applied; ${kept.unplaced.length} as it stands`}. A statement that misses them is wrong.
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
              <MoveButton disabled={selected.size === 0} onMove={onMove} />
            </div>
          )}
          {agreed.length > 1 && <AcceptButton count={agreed.length} onAccept={() => latest.current.accept()} />}
          {mayPlace && selected.size > 0 && recent.length > 0 && (
            <div className={styles.recent} role="group" aria-label="Last targets">
              {recent.map((target, at) => (
                <button key={target.id} type="button" onClick={() => onMoveTo(target)} title={`Move to ${target.name}`}>
                  <kbd>{at + 1}</kbd> {target.name}
                </button>
              ))}
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
                  onPick={(event) => latest.current.pick(account.id, event)}
                />
                <Proposals proposals={proposed(account)} account={account} model={model} onAccept={onMoveOne} />
              </li>
            );
          })}
        </ul>
      </div>
      <ToLookAt onChoose={onChoose} />
    </section>
  );
}

/** These two are drawn anew only where they say something else: the panel is with every answer. */
const MoveButton = memo(function MoveButton({ disabled, onMove }: { disabled: boolean; onMove: () => void }) {
  return (
    <Button variant="contained" disabled={disabled} onClick={onMove} title="M">
      Move to…
    </Button>
  );
}, sameButFunctions);

const AcceptButton = memo(function AcceptButton({ count, onAccept }: { count: number; onAccept: () => void }) {
  return (
    <Button title="Each of them is proposed for one category alone" onClick={onAccept}>
      Accept {count} proposals that agree
    </Button>
  );
}, sameButFunctions);

const Card = memo(function Card({
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
  onPick: (event: ChangeEvent) => void;
}) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: account.id });
  return (
    <label ref={setNodeRef} {...listeners} className={styles.card} data-chosen={isSelected || undefined} data-dragging={isDragging || undefined}>
      <input type="checkbox" checked={isSelected} onChange={onPick} />
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
}, sameButFunctions);

interface ProposalsProps {
  readonly proposals: readonly Proposal[];
  readonly account: PlacedAccount;
  readonly model: PlacementModel;
  readonly onAccept: (account: PlacedAccount, target: RecentTarget) => void;
}

/** The strongest with its reasons, and one more. */
const Proposals = memo(
  function Proposals({ proposals, account, model, onAccept }: ProposalsProps) {
    if (proposals.length === 0) return null;
    return (
      <div className={styles.proposals}>
        {proposals.slice(0, 2).map((proposal, at) => {
          const { id, name } = model.tree.nodes.get(proposal.categoryId)?.category ?? { id: 0, name: '' };
          const why = reasonsText(proposal, model.byId);
          return (
            <button
              key={id}
              type="button"
              title={`${name}: ${why}`}
              aria-label={`Accept ${name} for ${account.label}: ${why}`}
              onClick={() => onAccept(account, { id, name })}
            >
              {at === 0 ? '→ ' : 'or '}
              <b>{name}</b>
              {at === 0 && <small>{why}</small>}
            </button>
          );
        })}
      </div>
    );
  },
  // Names of what is proposed change with the tree alone.
  (a, b) => a.proposals === b.proposals && a.account === b.account && a.model.tree === b.model.tree,
);
