import type { ChartAccountBody, Company } from '@ivory-ladder/contract';
import type { ExchangeRate } from '@ivory-ladder/core';
import { shortDay } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { type FormEvent, useState } from 'react';
import { DayInput } from '../../shared/components/dayfield/DayInput.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { RateCell } from './RateCell.tsx';
import styles from './RatesScreen.module.css';
import type { RateKey } from './rateKey.ts';

interface DatedRatesProps {
  readonly kind: 'closing' | 'historical';
  readonly rates: readonly ExchangeRate[];
  readonly currency: string;
  readonly year: Company['years'][number];
  readonly accounts: readonly ChartAccountBody[];
  readonly mayKeep: boolean;
  readonly save: (key: RateKey, text: string) => Promise<string | null>;
}

/** Closing rates of days that end no period, or historical rates of equity accounts, each with its day. */
export function DatedRates({ kind, rates, currency, year, accounts, mayKeep, save }: DatedRatesProps) {
  const isHistorical = kind === 'historical';
  const equity = accounts.filter(({ element, active, isParent }) => element === 'equity' && active && !isParent);
  const [day, setDay] = useState(year.lastDay);
  const [text, setText] = useState('');
  const [accountId, setAccountId] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const ends = new Set(year.periods.map(({ lastDay }) => lastDay));
  const shown = rates.filter((rate) => rate.kind === kind && (isHistorical || (rate.day >= year.firstDay && rate.day <= year.lastDay && !ends.has(rate.day))));
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const refused = await save({ currency, kind, day, accountId: isHistorical ? Number(accountId || equity[0]?.id) : null }, text);
    setRefusal(refused);
    if (refused === null) setText('');
  };
  const title = isHistorical ? 'Historical, of equity accounts' : `Other days of ${year.name}`;
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      {shown.length > 0 && (
        <table className={styles.table}>
          <tbody>
            {shown.map((rate) => (
              <tr key={`${rate.day} ${rate.accountId}`}>
                <th scope="row">
                  {shortDay(rate.day)}
                  {isHistorical && <small>{accounts.find(({ id }) => id === rate.accountId)?.label}</small>}
                </th>
                <td data-amount>
                  {mayKeep ? <RateCell label={`Rate on ${shortDay(rate.day)}`} value={rate.rate} onSave={(typed) => save(keyOf(rate), typed)} /> : rate.rate}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {shown.length === 0 && <p className={styles.quiet}>None.</p>}
      {mayKeep && (!isHistorical || equity.length > 0) && (
        <form className={styles.add} onSubmit={(event) => void add(event)}>
          {isHistorical && (
            <Select className={styles.account} aria-label="Equity account" value={accountId} onChange={(event) => setAccountId(event.target.value)}>
              {equity.map(({ id, label }) => (
                <option key={id} value={id}>
                  {label}
                </option>
              ))}
            </Select>
          )}
          <DayInput className={styles.field} aria-label="Day of the rate" value={day} required onChange={setDay} />
          <input
            className={styles.rate}
            inputMode="decimal"
            aria-label="New rate"
            placeholder="rate"
            value={text}
            required
            onChange={(event) => setText(event.target.value)}
          />
          <Button type="submit">Add</Button>
          {refusal !== null && (
            <span role="alert" className={styles.refusal}>
              {refusal}
            </span>
          )}
        </form>
      )}
    </section>
  );
}

function keyOf({ currency, kind, day, accountId }: ExchangeRate): RateKey {
  return { currency, kind, day, accountId };
}
