import type { Company } from '@ivory-ladder/contract';
import { longDay, shortDay } from '@ivory-ladder/core';
import LockOutlined from '@mui/icons-material/LockOutlined';
import Button from '@mui/material/Button';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useAddAdjustingPeriodMutation, useLockPeriodsMutation, useUnlockPeriodMutation } from '../../shared/api/companyApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { momentText } from '../../shared/words/momentText.ts';
import { LedgerTabs } from '../ledger/index.ts';
import styles from './CalendarScreen.module.css';
import { NextYearForm } from './NextYearForm.tsx';
import { YearClosing } from './YearClosing.tsx';

type Year = Company['years'][number];
type Period = Year['periods'][number];

/** Fiscal years with their periods: made ahead of need, locked when they are closed, opened again with a reason. */
export function CalendarScreen() {
  const company = useCompany();
  const mayKeep = useMay('prepare_entries');
  const [isMaking, setMaking] = useState(false);
  const last = company.years.at(-1);
  return (
    <div className={styles.screen}>
      <section className={styles.sheet} aria-labelledby="calendar-title">
        <header className={styles.head}>
          <div>
            <LedgerTabs />
            <h1 id="calendar-title" className="unseen">
              Calendar
            </h1>
            <p className={styles.quiet}>A locked period takes no entries, from nobody. Locking one locks every open one before it.</p>
          </div>
          {mayKeep && !isMaking && (
            <Button variant="contained" onClick={() => setMaking(true)}>
              Next year…
            </Button>
          )}
        </header>
        {isMaking && <NextYearForm onDone={() => setMaking(false)} />}
        {!last && (
          <EmptyState title="No fiscal year yet">
            <p>Years are made with the first entry or trial balance that falls into them, or ahead of need here.</p>
          </EmptyState>
        )}
        {[...company.years].reverse().map((year) => (
          <YearOfPeriods key={year.year} year={year} />
        ))}
      </section>
    </div>
  );
}

function YearOfPeriods({ year }: { year: Year }) {
  const company = useCompany();
  const dispatch = useDispatch();
  const mayKeep = useMay('prepare_entries');
  const [isClosing, setClosing] = useState(false);
  const [addPeriod, { isLoading }] = useAddAdjustingPeriodMutation();
  const locked = year.periods.filter(({ lock }) => lock !== null).length;
  const onAdd = async () => {
    const { error } = await addPeriod({ companyId: company.id, year: year.year });
    const text = error === undefined ? `${year.name} has a period for adjustments.` : describeFailure(error);
    dispatch(noticeGiven({ tone: error === undefined ? 'done' : 'refused', text }));
  };
  return (
    <section className={styles.year} aria-label={`Fiscal year ${year.name}`}>
      <div className={styles.head}>
        <h2>{year.name}</h2>
        {mayKeep && (
          <div className={styles.buttons}>
            {!year.periods.some(({ isAdjusting }) => isAdjusting) && (
              <Button disabled={isLoading} onClick={() => void onAdd()}>
                Add a period for adjustments
              </Button>
            )}
            {!isClosing && <Button onClick={() => setClosing(true)}>Closing entry…</Button>}
          </div>
        )}
      </div>
      {isClosing && <YearClosing year={year} onDone={() => setClosing(false)} />}
      <p className={styles.quiet}>
        {longDay(year.firstDay)} to {longDay(year.lastDay)}
        {locked === year.periods.length ? ', all locked' : locked > 0 ? `, ${locked} of ${year.periods.length} locked` : ''}
      </p>
      <table className={styles.periods}>
        <thead>
          <tr>
            <th scope="col">Period</th>
            <th scope="col">Days</th>
            <th scope="col">State</th>
            <th scope="col">
              <span className="unseen">What can be done</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {year.periods.map((period) => (
            <PeriodRow key={period.number} year={year} period={period} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function PeriodRow({ year, period }: { year: Year; period: Period }) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [mayLock, mayUnlock] = [useMay('lock_periods'), useMay('keep_people_and_settings')];
  const [isAsking, setAsking] = useState(false);
  const [reason, setReason] = useState('');
  const [lock, locking] = useLockPeriodsMutation();
  const [unlock, unlocking] = useUnlockPeriodMutation();
  const { number, firstDay, lastDay, lock: held } = period;
  const name = `period ${number} of ${year.name}`;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const choice = { companyId: company.id, body: { year: year.year, number, reason: reason.trim() } };
    const { error } = await (held ? unlock(choice) : lock(choice));
    const said = held ? `Opened again: ${name}.` : `Locked: up to and with ${name}.`;
    dispatch(noticeGiven(error === undefined ? { tone: 'done', text: said } : { tone: 'refused', text: describeFailure(error) }));
    if (error !== undefined) return;
    setAsking(false);
    setReason('');
  };
  return (
    <tr data-locked={held !== null || undefined}>
      <th scope="row">{number}</th>
      <td>{period.isAdjusting ? `adjustments, on ${shortDay(lastDay)}` : `${shortDay(firstDay)} to ${shortDay(lastDay)}`}</td>
      {isAsking ? (
        <td colSpan={2}>
          <form className={styles.form} onSubmit={(event) => void submit(event)} onKeyDown={(event) => event.key === 'Escape' && setAsking(false)}>
            <input
              // biome-ignore lint/a11y/noAutofocus: the field comes where one has just asked for it
              autoFocus
              className={styles.reason}
              aria-label={held ? 'Why it is opened again' : 'Why, if there is something to say'}
              placeholder={held ? 'Why it is opened again' : 'Why (may be empty)'}
              value={reason}
              maxLength={500}
              required={held !== null}
              onChange={(event) => setReason(event.target.value)}
            />
            <Button type="submit" variant="contained" disabled={locking.isLoading || unlocking.isLoading || (held !== null && reason.trim() === '')}>
              {held ? 'Open' : 'Lock'}
            </Button>
            <Button onClick={() => setAsking(false)}>Cancel</Button>
          </form>
        </td>
      ) : (
        <>
          <td>
            {held ? (
              <>
                <LockOutlined fontSize="inherit" aria-hidden /> locked by {held.by}, {momentText(held.at)}
                {held.reason !== '' && <span className={styles.quiet}> · {held.reason}</span>}
              </>
            ) : (
              'open'
            )}
          </td>
          <td>
            {(held ? mayUnlock : mayLock) && (
              <button type="button" className={styles.act} onClick={() => setAsking(true)}>
                {held ? 'Open again…' : 'Lock up to here…'}
                <span className="unseen"> {name}</span>
              </button>
            )}
          </td>
        </>
      )}
    </tr>
  );
}
