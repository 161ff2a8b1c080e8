import type { ChartAccountBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import { accountLabel, formatAmount, isIncomeOrExpense, linesToSet, longDay } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { type FormEvent, type KeyboardEvent, useMemo, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation } from 'react-router';
import { usePostEntryMutation } from '../../shared/api/ledgerApi.ts';
import { DayTextField } from '../../shared/components/dayfield/DayTextField.tsx';
import { usePaste } from '../../shared/components/usePaste.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { amountIn, amountText, pastedRows } from '../entries/index.ts';
import styles from './OpeningScreen.module.css';

interface OpeningFormProps {
  readonly day: string;
  readonly accounts: readonly ChartAccountBody[];
  readonly held: TrialBalanceViewBody['accounts'];
  readonly onDay: (day: string) => void;
}

type Typed = Readonly<Record<number, { readonly debit: string; readonly credit: string }>>;

/** Debit and credit of each account as it shall stand; what differs from what stands there is posted as one entry. */
export function OpeningForm({ day, accounts, held, onDay }: OpeningFormProps) {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const dispatch = useDispatch();
  const { search } = useLocation();
  const [post, { isLoading }] = usePostEntryMutation();
  const key = useRef(crypto.randomUUID());
  const body = useRef<HTMLTableSectionElement>(null);
  const rows = useMemo(() => accounts.filter(({ element, active, isParent }) => active && !isParent && !isIncomeOrExpense(element)), [accounts]);
  // Adjustments for the statements are no part of what the ledger opens with.
  const ledger = useMemo(() => new Map(held.map(({ id, closing, adjustments }) => [id, BigInt(closing) - BigInt(adjustments)])), [held]);
  const [typed, setTyped] = useState<Typed>({});
  const shownOf = (id: number): { debit: string; credit: string } => {
    const net = ledger.get(id) ?? 0n;
    return typed[id] ?? { debit: net > 0n ? amountText(net, currency) : '', credit: net < 0n ? amountText(-net, currency) : '' };
  };
  const wantedOf = (id: number): bigint | null => {
    const { debit, credit } = shownOf(id);
    const [first, second] = [amountIn(debit, currency), amountIn(credit, currency)];
    return first === null || second === null ? null : first - second;
  };
  const wanted = rows.map(({ id }) => ({ accountId: id, held: ledger.get(id) ?? 0n, wanted: wantedOf(id) }));
  const unread = wanted.filter((one) => one.wanted === null).length;
  const lines = linesToSet(wanted.map((one) => ({ ...one, wanted: one.wanted ?? one.held })));
  const difference = lines.reduce((sum, { debit, credit }) => sum + debit - credit, 0n);
  const [debits, credits] = (['debit', 'credit'] as const).map((side) => rows.reduce((sum, { id }) => sum + (amountIn(shownOf(id)[side], currency) ?? 0n), 0n));
  const set = (id: number, values: { debit: string; credit: string }) => {
    key.current = crypto.randomUUID();
    setTyped((before) => ({ ...before, [id]: values }));
  };
  const balancing = rows.find(({ role }) => role === 'retained_earnings');
  const offer = () => {
    if (!balancing) return;
    const net = (wantedOf(balancing.id) ?? 0n) - difference;
    set(balancing.id, { debit: net > 0n ? amountText(net, currency) : '', credit: net < 0n ? amountText(-net, currency) : '' });
  };
  const isReady = !isLoading && unread === 0 && difference === 0n && lines.length > 0;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!isReady) return;
    const entry = {
      date: day,
      description: `Opening balances at ${longDay(day)}`,
      layer: 'ledger' as const,
      opening: true,
      lines: lines.map(({ accountId, debit, credit }) => ({ accountId, debit: debit.toString(), credit: credit.toString() })),
    };
    const { data, error } = await post({ companyId: company.id, body: entry, key: key.current });
    if (data) dispatch(noticeGiven({ tone: 'done', text: `Posted: document ${data.documentNumber}, ${counted(lines.length, 'balance')}.` }));
    else dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
  };
  /** Enter and the arrows go up and down the column, as in a spreadsheet. */
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>, at: number, side: 'debit' | 'credit') => {
    const step = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' || (event.key === 'Enter' && !event.ctrlKey && !event.metaKey) ? 1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const next = body.current?.querySelector<HTMLInputElement>(`input[data-at="${at + step}"][data-side="${side}"]`);
    next?.focus();
    next?.select();
  };
  usePaste(true, (text) => {
    const pasted = pastedRows(text, rows, [], currency)?.filter(({ accountId }) => accountId !== null) ?? [];
    if (pasted.length === 0) return false;
    for (const { accountId, debit, credit } of pasted) set(accountId as number, { debit, credit });
    dispatch(noticeGiven({ tone: 'done', text: `Pasted: ${counted(pasted.length, 'balance')}.` }));
    return true;
  });
  const field = (id: number, at: number, side: 'debit' | 'credit', label: string) => {
    const text = shownOf(id)[side];
    const read = amountIn(text, currency);
    return (
      <input
        className={styles.cell}
        inputMode="decimal"
        aria-label={`${side === 'debit' ? 'Debit' : 'Credit'} of ${label}`}
        data-at={at}
        data-side={side}
        value={text}
        aria-invalid={read === null}
        onChange={(event) => set(id, side === 'debit' ? { debit: event.target.value, credit: '' } : { debit: '', credit: event.target.value })}
        onBlur={() => {
          if (read === null || text.trim() === '' || text === amountText(read, currency)) return;
          const written = read === 0n ? '' : amountText(read, currency);
          set(id, side === 'debit' ? { debit: written, credit: '' } : { debit: '', credit: written });
        }}
        onKeyDown={(event) => onKeyDown(event, at, side)}
      />
    );
  };
  return (
    <form className={styles.form} aria-label="Opening balances" onSubmit={(event) => void submit(event)}>
      <div className={styles.facts}>
        <DayTextField label="At the end of" value={day} onChange={(chosen) => chosen !== '' && onDay(chosen)} required />
        <p className={styles.quiet}>
          What is there already stands in the fields. What you change is posted as one entry of the differences, on that day, in the ledger. On a fiscal year’s
          first day it belongs to the year’s opening and moves nothing; on another day nothing is known of what moved up to it. Rows of a spreadsheet can be
          pasted: account, debit, credit; or account and amount, debit positive.
        </p>
      </div>
      <div className={styles.scroll}>
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">Account</th>
              <th scope="col">Debit</th>
              <th scope="col">Credit</th>
            </tr>
          </thead>
          <tbody ref={body}>
            {rows.map((account, at) => {
              const label = accountLabel(account);
              const isChanged = wantedOf(account.id) !== (ledger.get(account.id) ?? 0n);
              return (
                <tr key={account.id} data-changed={isChanged || undefined}>
                  <td>
                    {label} <small>{account.element}</small>
                  </td>
                  <td>{field(account.id, at, 'debit', label)}</td>
                  <td>{field(account.id, at, 'credit', label)}</td>
                </tr>
              );
            })}
          </tbody>
          <tfoot>
            <tr>
              <td>Total of balance sheet accounts</td>
              <td>{formatAmount(debits ?? 0n, currency)}</td>
              <td>{formatAmount(credits ?? 0n, currency)}</td>
            </tr>
          </tfoot>
        </table>
      </div>
      <p role="status" className={difference === 0n ? styles.holds : styles.difference}>
        {lines.length === 0
          ? 'Nothing was changed.'
          : difference === 0n
            ? `✓ ${counted(lines.length, 'balance changes', 'balances change')}, debits equal credits.`
            : `▲ The changes are out of balance: ${formatAmount(difference < 0n ? -difference : difference, currency)} missing in ${difference > 0n ? 'credit' : 'debit'}.`}
        {unread > 0 && ` ${counted(unread, 'amount')} cannot be read.`}
      </p>
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={!isReady}>
          Post
        </Button>
        {balancing && difference !== 0n && <Button onClick={offer}>Put the difference on {accountLabel(balancing)}</Button>}
        <Button disabled={Object.keys(typed).length === 0} onClick={() => setTyped({})}>
          Discard
        </Button>
        <Button component={Link} to={{ pathname: `/companies/${company.id}/ledger`, search }}>
          To the trial balance
        </Button>
      </div>
    </form>
  );
}
