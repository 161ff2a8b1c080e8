import type { ChartAccountBody } from '@ivory-ladder/contract';
import { type Currency, defaultFacets } from '@ivory-ladder/core';
import { type KeyboardEvent, useEffect, useRef } from 'react';
import { AccountPicker } from './AccountPicker.tsx';
import { amountIn, amountText, type EntryRow, emptyRow } from './entryRows.ts';
import styles from './NewEntryScreen.module.css';

interface ShortEntryProps {
  readonly rows: readonly EntryRow[];
  readonly accounts: readonly ChartAccountBody[];
  readonly refusal: (account: ChartAccountBody) => string | null;
  readonly currency: Currency;
  readonly isAtFault: boolean;
  readonly onChange: (rows: readonly EntryRow[]) => void;
}

/** An entry of two accounts and one amount; facet values are those that the accounts name. */
export function ShortEntry({ rows, accounts, refusal, currency, isAtFault, onChange }: ShortEntryProps) {
  const table = useRef<HTMLDivElement>(null);
  const [to, from] = [rows[0] ?? emptyRow(), rows[1] ?? emptyRow()];
  useEffect(() => table.current?.querySelector<HTMLInputElement>('input')?.focus(), []);
  const goOn = (field: Element | null) => {
    const fields = [...(table.current?.querySelectorAll('input') ?? [])];
    const next = fields[fields.indexOf(field as HTMLInputElement) + 1];
    next?.focus();
    next?.select();
  };
  const onEnter = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key !== 'Enter' || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    goOn(event.currentTarget);
  };
  const setAccount = (at: 0 | 1, account: ChartAccountBody | null) => {
    const changed = { accountId: account?.id ?? null, facets: account ? defaultFacets(account.codes) : {} };
    onChange(at === 0 ? [{ ...to, ...changed }, from] : [to, { ...from, ...changed }]);
  };
  const setAmount = (amount: string) =>
    onChange([
      { ...to, debit: amount, credit: '' },
      { ...from, debit: '', credit: amount },
    ]);
  const read = amountIn(to.debit, currency);
  const picker = (at: 0 | 1, label: string, row: EntryRow) => (
    <div className={styles.labelled}>
      <span>{label}</span>
      <AccountPicker
        label={label}
        accounts={accounts}
        refusal={refusal}
        accountId={row.accountId}
        isAtFault={isAtFault && row.accountId === null}
        onChange={(account) => setAccount(at, account)}
        onChosen={() => goOn(document.activeElement)}
        onEnter={onEnter}
      />
    </div>
  );
  return (
    <div ref={table} className={styles.short}>
      {picker(0, 'Debit', to)}
      {picker(1, 'Credit', from)}
      <label className={styles.labelled}>
        <span>Amount</span>
        <input
          className={styles.cell}
          data-amount
          inputMode="decimal"
          value={to.debit}
          aria-invalid={read === null || (isAtFault && read === 0n)}
          onChange={(event) => setAmount(event.target.value)}
          onBlur={() =>
            read !== null && to.debit.trim() !== '' && to.debit !== amountText(read, currency) && setAmount(read === 0n ? '' : amountText(read, currency))
          }
          onKeyDown={onEnter}
        />
      </label>
    </div>
  );
}
