import type { ChartAccountBody, ChartView, CodeListBody } from '@ivory-ladder/contract';
import { accountLabel, type Currency, formatAmount, isIncomeOrExpense, longDay, shortDay } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { Fragment, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { isAgainst } from '../../shared/api/isAgainst.ts';
import { BalanceAmount } from '../../shared/components/BalanceAmount.tsx';
import { useClimb } from '../../shared/state/useClimb.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { accountRoleWords } from '../../shared/words/accountRoleWords.ts';
import { Attachments } from '../attachments/index.ts';
import { AccountLines, EntryView } from '../evidence/index.ts';
import { HistoryList } from '../history/index.ts';
import { AccountNotes } from './AccountNotes.tsx';
import { AccountPeriods } from './AccountPeriods.tsx';
import styles from './ChartScreen.module.css';
import { branchTotals, elementText, placeText } from './chartModel.ts';
import { DeleteButton } from './DeleteButton.tsx';
import { type Obstacle, Obstacles, obstacleOf } from './Obstacles.tsx';
import type { ChartActions } from './useChartActions.ts';

interface AccountFactsProps {
  readonly account: ChartAccountBody;
  readonly chart: ChartView;
  readonly currency: Currency;
  readonly lists: readonly CodeListBody[];
  readonly actions: ChartActions;
  readonly onEdit: () => void;
  readonly onAddBeside: () => void;
  readonly onAddBelow: () => void;
  readonly onTask: (kind: 'merge' | 'place' | 'opening') => void;
  readonly onOpen: (accountId: number | null) => void;
}

/** One account, read-only until one edits: what it is, what depends on it, what can be done with it, and its history. */
export function AccountFacts({ account, chart, currency, lists, actions, onEdit, onAddBeside, onAddBelow, onTask, onOpen }: AccountFactsProps) {
  const company = useCompany();
  const [mayKeep, mayPost] = [useMay('keep_chart'), useMay('prepare_entries')];
  const mayReview = useMay('see_papers');
  const { search } = useLocation();
  const climb = useClimb();
  const [obstacle, setObstacle] = useState<Obstacle | null>(null);
  const [entryId, setEntryId] = useState<number | null>(null);
  const { isBusy } = actions;
  const parent = chart.accounts.find(({ id }) => id === account.parentId);
  const total = branchTotals(chart.accounts).get(account.id);
  const entries = new URLSearchParams(search);
  entries.set('account', String(account.id));
  const setActive = async (active: boolean) => {
    const refused = await actions.setActive(account, active);
    setObstacle(obstacleOf(refused));
  };
  const onDelete = async () => {
    const refused = await actions.remove(account);
    setObstacle(obstacleOf(refused));
    if (refused === null) onOpen(null);
  };
  return (
    <>
      {mayKeep && (
        <div className={styles.buttons}>
          <Button variant="contained" onClick={onEdit}>
            Change…
          </Button>
          <Button onClick={onAddBeside}>Add beside…</Button>
          <Button onClick={onAddBelow}>Add below…</Button>
        </div>
      )}
      <dl className={styles.facts}>
        <dt>Element</dt>
        <dd>{elementText(account)}</dd>
        <dt>Category</dt>
        <dd>
          {placeText(account, chart.paths) || (account.isParent ? 'by its sub-accounts' : 'none: on no statement')}{' '}
          <button type="button" className={styles.way} onClick={() => climb(account.id)}>
            Climb
          </button>
        </dd>
        {parent && (
          <>
            <dt>Below</dt>
            <dd>
              <button type="button" className={styles.way} onClick={() => onOpen(parent.id)}>
                {accountLabel(parent)}
              </button>
            </dd>
          </>
        )}
        <dt>At {shortDay(chart.span.lastDay)}</dt>
        <dd>
          <BalanceAmount net={BigInt(account.amount)} currency={currency} isAgainst={isAgainst(account, BigInt(account.amount))} />
          {total && `, with sub-accounts ${formatAmount(total.amount, currency)}`}
        </dd>
        <dt>Entries</dt>
        <dd>
          {account.lastUsed === null ? (
            'none'
          ) : (
            <Link to={{ pathname: `/companies/${company.id}/ledger`, search: entries.toString() }}>the last on {shortDay(account.lastUsed)}</Link>
          )}
        </dd>
        {account.externalNumber !== '' && (
          <>
            <dt>External number</dt>
            <dd>{account.externalNumber}</dd>
          </>
        )}
        {lists
          .filter(({ key }) => account.codes[key] !== undefined)
          .map(({ key, name, codes }) => (
            <Fragment key={key}>
              <dt>{name}</dt>
              <dd>{[account.codes[key], codes.find(({ code }) => code === account.codes[key])?.caption].filter(Boolean).join(' ')}</dd>
            </Fragment>
          ))}
      </dl>
      {account.purpose !== '' && <p className={styles.purpose}>{account.purpose}</p>}
      {account.role !== null && (
        <p className={styles.role}>
          {accountRoleWords[account.role]}
          {account.cashFrom !== null && ` From ${longDay(account.cashFrom)}.`}
          {account.cashUntil !== null && ` Until ${longDay(account.cashUntil)}.`}
        </p>
      )}
      {mayKeep && (
        <div className={styles.buttons}>
          <Button disabled={isBusy} onClick={() => void setActive(!account.active)}>
            {account.active ? 'Retire' : 'Reopen'}
          </Button>
          <Button disabled={isBusy} onClick={() => onTask('place')}>
            Place after…
          </Button>
          {mayPost && account.active && !account.isParent && !isIncomeOrExpense(account.element) && (
            <Button disabled={isBusy} onClick={() => onTask('opening')}>
              Opening balance…
            </Button>
          )}
          {account.active && !account.isParent && (
            <Button disabled={isBusy} onClick={() => onTask('merge')}>
              Merge into…
            </Button>
          )}
          {account.lastUsed === null && <DeleteButton key={account.id} account={account} isBusy={isBusy} onDelete={() => void onDelete()} />}
        </div>
      )}
      {obstacle && <Obstacles obstacle={obstacle} account={account} chart={chart} currency={currency} onOpen={onOpen} onMerge={() => onTask('merge')} />}
      {account.lastUsed !== null && <AccountPeriods account={account} currency={currency} lastDay={chart.span.lastDay} />}
      {account.lastUsed !== null &&
        (entryId === null ? (
          <AccountLines
            accountId={account.id}
            currency={currency}
            runs={isIncomeOrExpense(account.element)}
            from={chart.span.firstDay}
            to={chart.span.lastDay}
            onOpenEntry={setEntryId}
          />
        ) : (
          <EntryView entryId={entryId} currency={currency} onBack={() => setEntryId(null)} />
        ))}
      {mayReview && (
        <>
          <AccountNotes key={account.id} accountId={account.id} />
          <Attachments key={`files of ${account.id}`} of={{ accountId: account.id }} />
          <h3>History</h3>
          <HistoryList thing="account" thingId={account.id} />
        </>
      )}
    </>
  );
}
