import type { ChartAccountBody, CodeListBody } from '@ivory-ladder/contract';
import { type Currency, defaultFacets, type EntryFault, formatAmount, offeredOn, type Side } from '@ivory-ladder/core';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import { type KeyboardEvent, useEffect, useRef } from 'react';
import { amountIn, amountText, type EntryRow, linesOf } from './entryRows.ts';
import { FacetField, withFacet } from './FacetField.tsx';
import styles from './NewEntryScreen.module.css';

interface EntryLinesProps {
  readonly rows: readonly EntryRow[];
  /** Those that take postings. */
  readonly accounts: readonly ChartAccountBody[];
  readonly facets: readonly CodeListBody[];
  readonly currency: Currency;
  readonly faults: readonly EntryFault[];
  readonly onChange: (rows: readonly EntryRow[]) => void;
}

const few = createFilterOptions<ChartAccountBody>({ limit: 40, stringify: ({ label }) => label });

/** The lines of an entry in fields: Enter goes to the next one, and on an empty amount takes what is missing there. */
export function EntryLines({ rows, accounts, facets, currency, faults, onChange }: EntryLinesProps) {
  const body = useRef<HTMLTableSectionElement>(null);
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
          set(at, { [side]: event.target.value, ...(event.target.value.trim() === '' ? {} : { [side === 'debit' ? 'credit' : 'debit']: '' }) })
        }
        onBlur={() =>
          read !== null && typed.trim() !== '' && typed !== amountText(read, currency) && set(at, { [side]: read === 0n ? '' : amountText(read, currency) })
        }
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
          <tr key={row.key}>
            <td>
              <Autocomplete
                options={accounts}
                filterOptions={few}
                getOptionLabel={({ label }) => label}
                value={accounts.find(({ id }) => id === row.accountId) ?? null}
                onChange={(event, account, reason) => {
                  // The account names the values that its lines get; what is not right is changed on the line.
                  set(at, { accountId: account?.id ?? null, facets: account ? defaultFacets(account.codes) : {} });
                  if (reason === 'selectOption' && event.type === 'keydown') goOn(document.activeElement);
                }}
                isOptionEqualToValue={(a, b) => a.id === b.id}
                autoHighlight
                renderInput={({ slotProps }) => (
                  <div ref={slotProps.input.ref}>
                    <input
                      {...slotProps.htmlInput}
                      className={styles.cell}
                      aria-label={`Account of line ${at + 1}`}
                      aria-invalid={isAtFault(at, ['account_missing'])}
                      onKeyDown={(event) => {
                        // With the list open Enter is for what it offers.
                        if (event.currentTarget.getAttribute('aria-expanded') !== 'true') onEnter(event);
                      }}
                    />
                  </div>
                )}
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
