import type { EntryBody } from '@ivory-ladder/contract';
import { addDays, type Currency } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { type FormEvent, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation } from 'react-router';
import { useGetEntryQuery, useReverseEntryMutation } from '../../shared/api/ledgerApi.ts';
import { DayTextField } from '../../shared/components/dayfield/DayTextField.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { Attachments } from '../attachments/index.ts';
import { EntryView } from '../evidence/index.ts';
import styles from './EntriesScreen.module.css';

interface EntryPanelProps {
  readonly entryId: number | null;
  readonly currency: Currency;
  readonly onOpen: (entryId: number | null) => void;
}

/** The chosen entry, whole, and what can be done with it: it never changes, it is reversed or copied. */
export function EntryPanel({ entryId, currency, onOpen }: EntryPanelProps) {
  const company = useCompany();
  const mayPost = useMay('prepare_entries');
  const { search } = useLocation();
  const { data: entry } = useGetEntryQuery({ companyId: company.id, entryId: entryId ?? 0 }, { skip: entryId === null });
  const [isReversing, setReversing] = useState(false);
  if (entryId === null)
    return (
      <aside className={styles.panel} aria-label="Entry">
        <h2>No entry chosen</h2>
        <p className={styles.quiet}>Choose one to see its lines. Posted entries never change: what was wrong is reversed, and posted anew from a copy.</p>
      </aside>
    );
  const copied = new URLSearchParams(search);
  copied.delete('entry');
  copied.set('copy', String(entryId));
  return (
    <aside className={styles.panel} aria-label="Entry" data-entry>
      <p className={styles.printed}>{company.name}</p>
      <EntryView entryId={entryId} currency={currency} onBack={() => onOpen(null)} />
      {entry?.reversedBy && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => onOpen(entry.reversedBy?.id ?? null)}>
          Reversed by document {entry.reversedBy.documentNumber}
        </Button>
      )}
      {entry && entry.reversesEntryId !== null && (
        <Button sx={{ alignSelf: 'start' }} onClick={() => onOpen(entry.reversesEntryId)}>
          The entry that it reverses
        </Button>
      )}
      {entry && <Attachments key={entry.id} of={{ entryId: entry.id }} />}
      {entry && (
        <div className={styles.buttons}>
          <Button onClick={() => window.print()}>Print</Button>
          {mayPost && entry.reversedBy === null && entry.source !== 'trial_balance' && <Button onClick={() => setReversing(true)}>Reverse…</Button>}
          {mayPost && (
            <Button component={Link} to={{ pathname: `/companies/${company.id}/ledger/entries/new`, search: copied.toString() }}>
              Copy…
            </Button>
          )}
        </div>
      )}
      {entry && isReversing && <ReverseForm entry={entry} onDone={(id) => (id === null ? setReversing(false) : onOpen(id))} />}
    </aside>
  );
}

function ReverseForm({ entry, onDone }: { entry: EntryBody; onDone: (reversalId: number | null) => void }) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [reverse, { isLoading }] = useReverseEntryMutation();
  const key = useRef(crypto.randomUUID());
  const next = nextPeriodOf(company.years, entry.date);
  const [date, setDate] = useState(entry.date);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const { data, error } = await reverse({ companyId: company.id, entryId: entry.id, body: { date }, key: key.current });
    if (!data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
    dispatch(noticeGiven({ tone: 'done', text: `Posted: document ${data.documentNumber} reverses document ${entry.documentNumber}.` }));
    onDone(data.entryId);
  };
  return (
    <form className={styles.form} onSubmit={(event) => void submit(event)} aria-label="Reverse the entry">
      <DayTextField
        label="Day of the reversal"
        value={date}
        min={entry.date}
        onChange={(day) => {
          key.current = crypto.randomUUID();
          setDate(day);
        }}
        autoFocus
        required
      />
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={isLoading}>
          Reverse
        </Button>
        {next !== null && next !== date && <Button onClick={() => setDate(next)}>First day of the next period</Button>}
        <Button onClick={() => onDone(null)}>Cancel</Button>
      </div>
    </form>
  );
}

type Years = ReturnType<typeof useCompany>['years'];

/** `null` where that period was not made yet. */
function nextPeriodOf(years: Years, day: string): string | null {
  const periods = years.flatMap((year) => year.periods);
  const own = periods.find(({ isAdjusting, firstDay, lastDay }) => !isAdjusting && firstDay <= day && day <= lastDay);
  const first = own && addDays(own.lastDay, 1);
  return first && periods.some(({ firstDay }) => firstDay === first) ? first : null;
}
