import type { ChartAccountBody, CodeListBody, DocumentSeriesBody } from '@ivory-ladder/contract';
import {
  type Currency,
  differenceOf,
  type EntryFault,
  type ExchangeRate,
  faultsOf,
  findCurrency,
  formatAmount,
  readRate,
  writeDecimal,
} from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { type FormEvent, type KeyboardEvent, useMemo, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation } from 'react-router';
import { usePostEntryMutation } from '../../shared/api/ledgerApi.ts';
import { usePaste } from '../../shared/components/usePaste.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { EntryHead } from './EntryHead.tsx';
import { EntryLines } from './EntryLines.tsx';
import { amountIn, type EntryRow, linesOf, pastedRows } from './entryRows.ts';
import styles from './NewEntryScreen.module.css';
import { ShortEntry } from './ShortEntry.tsx';
import { type EntryDraft, emptyDraft, isBlank, isUntouched, useEntryDraft, withRoom } from './useEntryDraft.ts';

interface EntryFormProps {
  readonly first: EntryDraft;
  readonly isCopy: boolean;
  readonly accounts: readonly ChartAccountBody[];
  readonly facets: readonly CodeListBody[];
  readonly currency: Currency;
  readonly rates: readonly ExchangeRate[];
  readonly series: readonly DocumentSeriesBody[];
}

/** An entry written line by line, wholly by keyboard; what stands in the way of posting is said all the time. */
export function EntryForm({ first, isCopy, accounts, facets, currency, rates, series }: EntryFormProps) {
  const company = useCompany();
  const dispatch = useDispatch();
  const { search } = useLocation();
  const [params, changeAddress] = useAddress();
  const [draft, setDraft, wasKept] = useEntryDraft(company.id, first, isCopy);
  const [post, { isLoading }] = usePostEntryMutation();
  const [tries, setTries] = useState(0);
  const [count, setCount] = useState(0);
  // One key for one entry: sent twice, it posts once.
  const key = useRef(crypto.randomUUID());
  const postable = useMemo(() => accounts.filter(({ active, isParent }) => active && !isParent), [accounts]);
  // One that takes no entries is found all the same, behind the others, and says why.
  const shown = useMemo(() => [...postable, ...accounts.filter((account) => refusalOf(account) !== null)], [postable, accounts]);
  // A form of two accounts has room for no more.
  const isTwo = draft.rows.slice(2).every(isBlank) && draft.rows.every(({ foreign }) => foreign === null);
  const isShort = params.get('form') === 'two' && isTwo;
  const lines = linesOf(draft.rows, currency);
  const faults = faultsOf(lines);
  const difference = differenceOf(lines);
  const isNothing = lines.every(({ debit, credit }) => debit === 0n && credit === 0n);
  const periods = company.years.flatMap((year) => year.periods);
  const adjustingPeriod = periods.find(({ isAdjusting, lastDay }) => isAdjusting && lastDay === draft.date) ?? null;
  const ordinary = periods.find(({ isAdjusting, firstDay, lastDay }) => !isAdjusting && firstDay <= draft.date && draft.date <= lastDay);
  const lock = (adjustingPeriod && draft.isAdjusting ? adjustingPeriod : ordinary)?.lock ?? null;
  const change = (changes: Partial<EntryDraft>) => {
    key.current = crypto.randomUUID();
    setDraft({ ...draft, ...changes });
  };
  const submit = async (event?: FormEvent) => {
    event?.preventDefault();
    setTries(tries + 1);
    if (faults.length > 0 || lock !== null || isLoading) return;
    const body = {
      date: draft.date,
      description: draft.description.trim(),
      layer: draft.layer,
      adjusting: adjustingPeriod !== null && draft.isAdjusting === true,
      series: draft.series ?? 0,
      lines: draft.rows.flatMap(({ accountId, text, facets: facetsOfLine, foreign }, at) => {
        const { debit, credit } = lines[at] ?? { debit: 0n, credit: 0n };
        return accountId === null
          ? []
          : [{ accountId, debit: debit.toString(), credit: credit.toString(), text: text.trim(), facets: facetsOfLine, foreign: foreignBody(foreign) }];
      }),
    };
    const { data, error } = await post({ companyId: company.id, body, key: key.current });
    if (!data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
    dispatch(noticeGiven({ tone: 'done', text: `Posted: document ${data.documentNumber}.` }));
    begin();
  };
  /** The next one, on the same day and layer, in the same series. */
  const begin = () => {
    key.current = crypto.randomUUID();
    setTries(0);
    setCount(count + 1);
    setDraft(emptyDraft(draft.date, draft.layer, draft.series));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
    event.preventDefault();
    void submit();
  };
  usePaste(true, (text) => {
    const pasted = pastedRows(text, postable, facets, currency);
    if (!pasted) return false;
    const written = draft.rows.filter(({ accountId, debit, credit, text: words }) => accountId !== null || debit !== '' || credit !== '' || words !== '');
    change({ rows: withRoom([...written, ...pasted]) });
    dispatch(noticeGiven({ tone: 'done', text: `Pasted: ${pasted.length} lines.` }));
    return true;
  });
  return (
    <form className={styles.sheet} data-layer={draft.layer} aria-labelledby="new-entry" onSubmit={(event) => void submit(event)} onKeyDown={onKeyDown}>
      <div className={styles.buttons}>
        <h1 id="new-entry">New entry</h1>
        <Button disabled={!isTwo} onClick={() => changeAddress({ form: isShort ? null : 'two' })}>
          {isShort ? 'Many lines' : 'Two accounts'}
        </Button>
        {wasKept && count === 0 && <span className={styles.quiet}>as it was left here before</span>}
      </div>
      <EntryHead draft={draft} adjustingPeriod={adjustingPeriod} lock={lock} series={series} onChange={change} />
      {isShort ? (
        <ShortEntry
          key={count}
          rows={draft.rows}
          accounts={shown}
          refusal={refusalOf}
          currency={currency}
          isAtFault={tries > 0}
          onChange={(rows) => change({ rows: withRoom(rows) })}
        />
      ) : (
        <EntryLines
          key={count}
          rows={draft.rows}
          accounts={shown}
          refusal={refusalOf}
          facets={facets}
          currency={currency}
          rates={rates}
          day={draft.date}
          faults={tries > 0 ? faults : []}
          onChange={(rows) => change({ rows: withRoom(rows) })}
        />
      )}
      <p role="status" className={isNothing ? styles.quiet : difference === 0n ? styles.holds : styles.difference}>
        {isNothing
          ? 'No amounts yet.'
          : difference === 0n
            ? '✓ Debits equal credits.'
            : `▲ ${formatAmount(difference < 0n ? -difference : difference, currency)} missing in ${difference > 0n ? 'credit' : 'debit'}.`}
        {tries > 0 && faults.length > 0 && ` ${faults.map(faultText).filter(Boolean).join(' ')}`}
      </p>
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={isLoading || lock !== null || isUntouched(draft)} title="Ctrl Enter">
          Post
        </Button>
        <Button onClick={begin} disabled={isUntouched(draft)}>
          Discard
        </Button>
        <Button component={Link} to={{ pathname: `/companies/${company.id}/ledger/entries`, search: withoutCopy(search) }}>
          To the entries
        </Button>
        <span className={styles.quiet}>
          {isShort ? 'Enter goes on, Ctrl Enter posts.' : 'Enter goes on; on an empty amount it takes what is missing. Ctrl Enter posts.'}
          {!isShort &&
            ` An amount in another currency is typed with its code, as 100 ${currency.code === 'USD' ? 'EUR' : 'USD'}; Alt S splits a line. Rows of a spreadsheet can be pasted: account, debit, credit, text${facets.map(({ name }) => `, ${name.toLowerCase()}`).join('')}.`}
        </span>
      </div>
    </form>
  );
}

/** Why an account takes no entries. */
function refusalOf({ active, isParent }: ChartAccountBody): string | null {
  if (isParent) return 'has sub-accounts: entries go to one of them';
  return active ? null : 'is retired: it takes no entries until it is reopened';
}

function foreignBody(foreign: EntryRow['foreign']) {
  const currency = foreign && findCurrency(foreign.currency);
  if (!foreign || !currency) return null;
  const rate = readRate(foreign.rate);
  return { currency: foreign.currency, amount: (amountIn(foreign.amount, currency) ?? 0n).toString(), rate: rate && writeDecimal(rate) };
}

/** What is out of balance is said beside it already. */
function faultText(fault: EntryFault): string {
  switch (fault.code) {
    case 'too_few_lines':
      return 'An entry has two lines at least.';
    case 'account_missing':
      return `Line ${fault.line + 1} names no account.`;
    case 'amount_missing':
      return `Line ${fault.line + 1} has no amount.`;
    case 'amount_on_both_sides':
      return `Line ${fault.line + 1} has an amount on both sides.`;
    case 'out_of_balance':
      return '';
  }
}

function withoutCopy(search: string): string {
  const params = new URLSearchParams(search);
  params.delete('copy');
  return params.toString();
}
