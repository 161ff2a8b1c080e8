import { useDraggable } from '@dnd-kit/core';
import { type CategoryNode, type Currency, formatAmount, isOnSide, otherSide, type PlaceSide, pathOf } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { type ChangeEvent, type MouseEvent, useState } from 'react';
import { isAgainst } from '../../shared/api/isAgainst.ts';
import { BalanceAmount } from '../../shared/components/BalanceAmount.tsx';
import { useRangePick } from '../../shared/components/useRangePick.ts';
import { useRowMenu } from '../../shared/components/useRowMenu.tsx';
import { useAccountMenu } from '../../shared/state/useAccountMenu.ts';
import { useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { elementName, onNaturalSide, type PlacedAccount, type StandingAccount, usePlacement } from '../rehearsal/index.ts';
import { AddAccountsDialog } from './AddAccountsDialog.tsx';
import { CategoryDialog } from './CategoryDialog.tsx';
import styles from './CategoryPanel.module.css';
import { natureNames, stepNames, termNames } from './categoryWords.ts';
import { landingOf } from './landing.ts';
import { RemoveCategoryDialog } from './RemoveCategoryDialog.tsx';
import { usePlacementActions } from './usePlacementActions.ts';
import { WhereItStands } from './WhereItStands.tsx';

interface CategoryPanelProps {
  readonly currency: Currency;
  readonly chosen: CategoryNode | null;
  readonly selected: ReadonlySet<number>;
  readonly onSelect: (selected: ReadonlySet<number>) => void;
  /** They are chosen no more; others stay chosen. */
  readonly onLetGo: (accounts: readonly PlacedAccount[]) => void;
  readonly onMove: (accounts: readonly PlacedAccount[], side: PlaceSide) => void;
  readonly onChoose: (categoryId: number) => void;
}

/** The chosen category: its accounts, where it lands on the statements, and what can be done with it. */
export function CategoryPanel({ currency, chosen, selected, onSelect, onLetGo, onMove, onChoose }: CategoryPanelProps) {
  const { model } = usePlacement();
  const actions = usePlacementActions();
  const mayPlace = useMay('keep_placement');
  const menu = useRowMenu();
  const menuOf = useAccountMenu();
  const [open, setOpen] = useState<'edit' | 'sub' | 'accounts' | 'remove' | 'split' | null>(null);
  const standing = chosen ? (model.standing.get(chosen.category.id) ?? []) : [];
  const pick = useRangePick(
    standing.map(({ account }) => account.id),
    selected,
    onSelect,
  );
  if (!chosen)
    return (
      <aside className={styles.panel} aria-label="Chosen category">
        <h2>No category chosen</h2>
        <p className={styles.quiet}>
          {mayPlace
            ? 'Choose one in the tree to see its accounts, add to it, rename it, or nest others below it. Drop accounts on a category to place them.'
            : 'Choose one in the tree to see its accounts and where it lands on the statements.'}
        </p>
      </aside>
    );
  const { category } = chosen;
  const described = model.placement.categories.get(category.id) ?? null;
  const ranges = described?.ranges ?? [];
  const picked = standing.filter(({ account }) => selected.has(account.id));
  /** An overdraft, or whatever else belongs elsewhere while its balance is against what is normal for it. */
  const sideChoices = (account: PlacedAccount) => {
    if (!mayPlace) return [];
    const side = otherSide(account.normalSide);
    return [{ label: `While in ${side}, elsewhere…`, onChoose: () => onMove([account], side) }];
  };
  return (
    <aside className={styles.panel} aria-label="Chosen category">
      <div>
        <h2>{category.name}</h2>
        <p className={styles.quiet}>{[elementName(category.element), ...pathOf(chosen)].join(' › ')}</p>
        {described?.description && <p className={styles.quiet}>{described.description}</p>}
        {(category.term || category.step || category.contraOf !== null || ranges.length > 0 || described?.nature || described?.note) && (
          <p className={styles.facts}>
            {category.term && <span>{termNames[category.term]}</span>}
            {category.step && <span>{stepNames[category.step]}</span>}
            {category.contraOf !== null && <span>deducted from {model.tree.nodes.get(category.contraOf)?.category.name}</span>}
            {described?.nature && <span>{natureNames[described.nature]}</span>}
            {described?.note && <span>note {described.note}</span>}
            {ranges.map(({ side, text }) => (
              <span key={side} title="Account numbers that it takes">
                {text}
                {side !== 'any' && `, ${sideNotes[side]}`}
              </span>
            ))}
          </p>
        )}
      </div>
      {mayPlace && (
        <div className={styles.tools}>
          <Button variant="contained" onClick={() => setOpen('accounts')}>
            Add accounts…
          </Button>
          <Button onClick={() => setOpen('edit')}>Change…</Button>
          <Button onClick={() => setOpen('sub')}>Nest new…</Button>
          <Button
            onClick={() =>
              standing.length === 0 && chosen.children.length === 0 && ranges.length === 0 ? actions.remove(category.id, null, false) : setOpen('remove')
            }
          >
            Delete…
          </Button>
        </div>
      )}
      <div className={styles.headings}>
        <span>
          {counted(standing.length, 'account')} directly here
          {standing.length > 0 && chosen.children.length > 0 && `: ${formatAmount(ownAmount(standing, category.element), currency)}`}
        </span>
        {mayPlace && picked.length > 0 && (
          <span className={styles.picked}>
            {picked.some(({ isByRange }) => isByRange) && (
              <button
                type="button"
                title="They stay here, also when the range or their numbers change"
                onClick={() => actions.fix(picked.filter(({ isByRange }) => isByRange)) && onLetGo(picked.map(({ account }) => account))}
              >
                Fix by hand
              </button>
            )}
            <button
              type="button"
              onClick={() =>
                onMove(
                  picked.map(({ account }) => account),
                  'any',
                )
              }
            >
              Move {picked.length} to…
            </button>
            <button
              type="button"
              onClick={() => {
                const accounts = picked.map(({ account }) => account);
                if (actions.move(accounts, null, 'any')) onLetGo(accounts);
              }}
            >
              Take out
            </button>
            <button type="button" title="Into a new category beside this one" onClick={() => setOpen('split')}>
              Split off…
            </button>
          </span>
        )}
      </div>
      {menu.drawn}
      <ul className={styles.accounts}>
        {standing.map(({ account, side, isByRange }) => (
          <AccountRow
            key={account.id}
            account={account}
            side={side}
            isByRange={isByRange}
            currency={currency}
            element={category.element}
            isSelected={selected.has(account.id)}
            onPick={(event) => pick(account.id, event)}
            onMenu={(event) => menu.open(event, [...sideChoices(account), ...menuOf(account.id)])}
          />
        ))}
        {standing.length === 0 && (
          <li className={styles.quiet}>
            {chosen.children.length > 0 ? 'None; they stand in its subcategories.' : mayPlace ? 'None yet. Add accounts, or drop some on it.' : 'None yet.'}
          </li>
        )}
      </ul>
      {picked.length === 1 && picked[0] && (
        <>
          <WhereItStands account={picked[0].account} currency={currency} />
          {sideChoices(picked[0].account).map(({ label, onChoose: move }) => (
            <Button key={label} sx={{ justifySelf: 'start' }} onClick={move}>
              {label}
            </Button>
          ))}
        </>
      )}
      <div>
        <h3>Where it lands</h3>
        {landingOf(chosen).map((line) => (
          <p key={line} className={styles.quiet}>
            {line}
          </p>
        ))}
      </div>
      {open === 'accounts' && (
        <AddAccountsDialog
          currency={currency}
          node={chosen}
          onClose={() => setOpen(null)}
          onAdd={(accounts) => {
            setOpen(null);
            actions.move(accounts, { id: category.id, name: category.name }, 'any');
          }}
        />
      )}
      {open === 'sub' && <CategoryDialog element={category.element} parentId={category.id} category={null} onClose={() => setOpen(null)} />}
      {open === 'split' && (
        <CategoryDialog
          element={category.element}
          parentId={category.parentId}
          category={null}
          onClose={() => setOpen(null)}
          splitOff={picked.map(({ account }) => account)}
          onAdded={(id) => {
            onLetGo(picked.map(({ account }) => account));
            onChoose(id);
          }}
        />
      )}
      {open === 'edit' && described && (
        <CategoryDialog element={category.element} parentId={category.parentId} category={described} onClose={() => setOpen(null)} />
      )}
      {open === 'remove' && <RemoveCategoryDialog node={chosen} onClose={() => setOpen(null)} />}
    </aside>
  );
}

/** Of the accounts directly in it; what stands below it is not counted. */
function ownAmount(standing: readonly StandingAccount[], element: PlacedAccount['element']): bigint {
  const counting = standing.filter(({ account, side }) => side === 'any' || isOnSide(BigInt(account.amount), side));
  return onNaturalSide(
    counting.reduce((sum, { account }) => sum + BigInt(account.amount), 0n),
    element,
  );
}

const sideNotes = { any: '', debit: 'while in debit', credit: 'while in credit' } as const;

interface AccountRowProps {
  readonly account: PlacedAccount;
  readonly side: 'any' | 'debit' | 'credit';
  readonly isByRange: boolean;
  readonly currency: Currency;
  readonly element: PlacedAccount['element'];
  readonly isSelected: boolean;
  readonly onPick: (event: ChangeEvent) => void;
  readonly onMenu: (event: MouseEvent) => void;
}

function AccountRow({ account, side, isByRange, currency, element, isSelected, onPick, onMenu }: AccountRowProps) {
  const { setNodeRef, listeners } = useDraggable({ id: account.id });
  const net = BigInt(account.amount);
  const counts = side === 'any' || net === 0n || net > 0n === (side === 'debit');
  return (
    <li>
      <label ref={setNodeRef} {...listeners} className={styles.account} data-chosen={isSelected || undefined} onContextMenu={onMenu}>
        <input type="checkbox" checked={isSelected} onChange={onPick} />
        <span className={styles.name} title={account.name}>
          {account.label}
          {(side !== 'any' || isByRange) && <small>{[isByRange ? 'by range' : '', sideNotes[side]].filter(Boolean).join(', ')}</small>}
        </span>
        <span>{counts ? <BalanceAmount net={onNaturalSide(net, element)} currency={currency} isAgainst={isAgainst(account, net)} /> : '–'}</span>
      </label>
    </li>
  );
}
