import type { ChartAccountBody, CodeListBody } from '@ivory-ladder/contract';
import { type Currency, defaultFacets, type EntryFault, type ExchangeRate, formatAmount, offeredOn, type Side } from '@ivory-ladder/core';
import CallSplitOutlined from '@mui/icons-material/CallSplitOutlined';
import { Fragment, type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { AccountPicker } from './AccountPicker.tsx';
import { amountIn, amountText, type EntryRow, linesOf } from './entryRows.ts';
import { FacetField, withFacet } from './FacetField.tsx';
import { ForeignLine } from './ForeignLine.tsx';
import { foreignTyped, withForeign } from './foreignAmount.ts';
import styles from './NewEntryScreen.module.css';
import { SplitLine } from './SplitLine.tsx';

interface EntryLinesProps {
  readonly rows: readonly EntryRow[];
  /** Those that take postings. */
  readonly accounts: readonly ChartAccountBody[];
  readonly refusal: (account: ChartAccountBody) => string | null;
  readonly facets: readonly CodeListBody[];
  readonly currency: Currency;
  readonly rates: readonly ExchangeRate[];
  /** Of the entry: rates are those in force on it. */
  readonly day: string;
  readonly faults: readonly EntryFault[];
  readonly onChange: (rows: readonly EntryRow[]) => void;
}

/** The lines of an entry in fields: Enter goes to the next one, and on an empty amount takes what is missing there. */
export function EntryLines({ rows, accounts, refusal, facets, currency, rates, day, faults, onChange }: EntryLinesProps) {
  const body = useRef<HTMLTableSectionElement>(null);
  const [splitting, setSplitting] = useState<string | null>(null);
  const columns = 5 + facets.length;
  const lines = linesOf(rows, currency);
  const [debits, credits] = [lines.reduce((sum, { debit }) => sum + debit, 0n), lines.reduce((sum, { credit }) => sum + credit, 0n)];
  useEffect(() => body.current?.querySelector<HTMLInputElement>('input')?.focus(), []);
  const set = (at: number, changes: Partial<EntryRow>) => onChange(rows.map((row, index) => (index === at ? { ...row, ...changes } : row)));
  /** At once, so that who types on without waiting types into the field behind. */
  const goOn = (from: Element | null, by = 1) => {
    const fields = [...(body.current?.querySelectorAll('input') ?? [])];
    const next = fields[fields.indexOf(from as HTMLInputElement) + by];
    next?.focus();
    // As with Tab: what is typed takes the place of what stands there.
    next?.select();
  };
  /** Once it is drawn. */
  const focusAccount = (at: number) =>
    requestAnimationFrame(() => body.current?.querySelector<HTMLInputElement>(`input[aria-label="Account of line ${at + 1}"]`)?.focus());
  const onEnter = (event: KeyboardEvent<HTMLInputElement>, act?: () => void, by = 1) => {
    if (event.key !== 'Enter' || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    act?.();
    goOn(event.currentTarget, by);
  };
  const isAtFault = (at: number, codes: readonly EntryFault['code'][]) =>
    faults.some((fault) => 'line' in fault && fault.line === at && codes.includes(fault.code));
  const amountField = (row: EntryRow, at: number, side: Side) => {
    const typed = row[side];
    const offered = offeredOn(lines, at);
    const isOffered = offered?.side === side && typed === '' && row.accountId !== null;
    const read = amountIn(typed, currency);
    // Behind a debit there is no credit to be typed.
    const hasAmount = side === 'debit' && (typed.trim() !== '' || isOffered);
    return (
      <input
        className={styles.cell}
        data-amount
        inputMode="decimal"
        aria-label={`${side === 'debit' ? 'Debit' : 'Credit'} of line ${at + 1}`}
        value={typed}
        placeholder={isOffered ? amountText(offered.amount, currency) : undefined}
        aria-invalid={read === null || isAtFault(at, ['amount_missing', 'amount_on_both_sides'])}
        onChange={(event) =>
          set(at, {
            [side]: event.target.value,
            ...(event.target.value.trim() === '' ? {} : { [side === 'debit' ? 'credit' : 'debit']: '' }),
            // Typed by itself: the rate is what both amounts come to.
            foreign: row.foreign && { ...row.foreign, rate: '', side },
          })
        }
        onBlur={() => {
          const other = foreignTyped(typed, currency);
          if (other) set(at, withForeign(row, side, other, { rates, day, functional: currency }));
          else if (read !== null && typed.trim() !== '' && typed !== amountText(read, currency))
            set(at, { [side]: read === 0n ? '' : amountText(read, currency) });
        }}
        onKeyDown={(event) => onEnter(event, () => isOffered && set(at, { [side]: amountText(offered.amount, currency) }), hasAmount ? 2 : 1)}
      />
    );
  };
  return (
    <table className={styles.lines} data-facets={facets.length > 0 || undefined}>
      <thead>
        <tr>
          <th scope="col" className={styles.account}>
            Account
          </th>
          <th scope="col" data-amount className={styles.amount}>
            Debit
          </th>
          <th scope="col" data-amount className={styles.amount}>
            Credit
          </th>
          <th scope="col">Text</th>
          {facets.map(({ key, name }) => (
            <th key={key} scope="col" className={styles.facet}>
              {name}
            </th>
          ))}
          <th scope="col">
            <span className="unseen">Take the line away</span>
          </th>
        </tr>
      </thead>
      <tbody ref={body}>
        {rows.map((row, at) => (
          <Fragment key={row.key}>
            <tr
              onKeyDown={(event) => {
                if (event.key.toLowerCase() !== 's' || !event.altKey) return;
                event.preventDefault();
                setSplitting(row.key);
              }}
            >
              <td>
                <AccountPicker
                  label={`Account of line ${at + 1}`}
                  accounts={accounts}
                  refusal={refusal}
                  accountId={row.accountId}
                  isAtFault={isAtFault(at, ['account_missing'])}
                  // The account names the values that its lines get; what is not right is changed on the line.
                  onChange={(account) => set(at, { accountId: account?.id ?? null, facets: account ? defaultFacets(account.codes) : {} })}
                  onChosen={() => goOn(document.activeElement)}
                  onEnter={(event) => onEnter(event)}
                />
              </td>
              <td data-amount>{amountField(row, at, 'debit')}</td>
              <td data-amount>{amountField(row, at, 'credit')}</td>
              <td>
                <input
                  className={styles.cell}
                  aria-label={`Text of line ${at + 1}`}
                  value={row.text}
                  maxLength={500}
                  onChange={(event) => set(at, { text: event.target.value })}
                  onKeyDown={(event) => onEnter(event)}
                />
              </td>
              {facets.map((facet) => (
                <td key={facet.key}>
                  <FacetField
                    facet={facet}
                    line={at + 1}
                    value={row.facets[facet.key] ?? ''}
                    onChange={(value) => set(at, { facets: withFacet(row.facets, facet.key, value) })}
                    onChosen={() => goOn(document.activeElement)}
                    onEnter={onEnter}
                  />
                </td>
              ))}
              <td>
                {(row.debit !== '' || row.credit !== '') && (
                  <button
                    type="button"
                    className={styles.drop}
                    tabIndex={-1}
                    title="Alt S"
                    aria-label={`Split line ${at + 1}`}
                    onClick={() => setSplitting(row.key)}
                  >
                    <CallSplitOutlined fontSize="inherit" aria-hidden />
                  </button>
                )}
                {rows.length > 2 && at < rows.length - 1 && (
                  <button
                    type="button"
                    className={styles.drop}
                    tabIndex={-1}
                    aria-label={`Take line ${at + 1} away`}
                    onClick={() => onChange(rows.filter((other) => other !== row))}
                  >
                    ✕
                  </button>
                )}
              </td>
            </tr>
            {row.foreign && (
              <ForeignLine
                row={{ ...row, foreign: row.foreign }}
                line={at + 1}
                columns={columns}
                rates={rates}
                day={day}
                functional={currency}
                onChange={(changed) => set(at, changed)}
                onEnter={(event) => onEnter(event)}
              />
            )}
            {splitting === row.key && (
              <SplitLine
                row={row}
                line={at + 1}
                columns={columns}
                currency={currency}
                onSplit={(parts) => {
                  setSplitting(null);
                  if (parts) onChange([...rows.slice(0, at), ...parts, ...rows.slice(at + 1)]);
                  focusAccount(parts ? at + 1 : at);
                }}
              />
            )}
          </Fragment>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <td>Total</td>
          <td data-amount>{formatAmount(debits, currency)}</td>
          <td data-amount>{formatAmount(credits, currency)}</td>
          <td colSpan={2 + facets.length} />
        </tr>
      </tfoot>
    </table>
  );
}
