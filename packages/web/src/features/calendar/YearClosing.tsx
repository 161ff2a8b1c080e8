import { formatAmount } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useRef } from 'react';
import { useDispatch } from 'react-redux';
import { useCloseYearMutation, useProposeClosingQuery } from '../../shared/api/companyApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './CalendarScreen.module.css';

const shownLines = 8;

/** What closing a year would post, and the button that posts it. */
export function YearClosing({ year, onDone }: { readonly year: { readonly year: number; readonly name: string }; readonly onDone: () => void }) {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const dispatch = useDispatch();
  const key = useRef(crypto.randomUUID());
  const { data, error } = useProposeClosingQuery({ companyId: company.id, year: year.year });
  const [close, { isLoading }] = useCloseYearMutation();
  const amount = (text: string) => (text === '0' ? '' : formatAmount(BigInt(text), currency));
  const submit = async () => {
    const { data: closed, error: refused } = await close({ companyId: company.id, year: year.year, key: key.current });
    if (!closed) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(refused) }));
    dispatch(
      noticeGiven({ tone: 'done', text: `Closed ${year.name}: ${closed.entries.map(({ documentNumber }) => `document ${documentNumber}`).join(' and ')}.` }),
    );
    onDone();
  };
  return (
    <section className={styles.closing} aria-label={`Closing of ${year.name}`}>
      <p className={styles.quiet}>
        A closing brings income and expense accounts to nil and their result to retained earnings. It is for the ledger alone: statements are the same with it
        and without, and what is posted to the year later is carried over all the same.
      </p>
      {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
      {data?.closings.map(({ layer, lines, result }) => (
        <table key={layer} className={styles.lines}>
          <caption>
            {layer === 'ledger' ? 'Ledger' : 'Adjustments'}: {counted(lines.length, 'line')}, {BigInt(result) <= 0n ? 'profit' : 'loss'} of{' '}
            {formatAmount(BigInt(result) < 0n ? -BigInt(result) : BigInt(result), currency)}
          </caption>
          <thead>
            <tr>
              <th scope="col">Account</th>
              <th scope="col">Debit</th>
              <th scope="col">Credit</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line, at) => {
              // The first ones, and the last, which is retained earnings.
              if (at >= shownLines - 1 && at < lines.length - 1)
                return at === shownLines - 1 ? (
                  <tr key="between">
                    <td colSpan={3}>and {counted(lines.length - shownLines, 'line')} between</td>
                  </tr>
                ) : null;
              return (
                <tr key={line.accountId}>
                  <td>{line.label}</td>
                  <td>{amount(line.debit)}</td>
                  <td>{amount(line.credit)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      ))}
      <div className={styles.buttons}>
        <Button variant="contained" disabled={!data || isLoading} onClick={() => void submit()}>
          Post the closing
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </section>
  );
}
