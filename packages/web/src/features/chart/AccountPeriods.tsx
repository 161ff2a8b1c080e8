import type { ChartAccountBody, AccountPeriods as PeriodsBody } from '@ivory-ladder/contract';
import { type Currency, formatAmount, isIncomeOrExpense, monthNames } from '@ivory-ladder/core';
import { lazy, Suspense, useState } from 'react';
import { useListAccountPeriodsQuery } from '../../shared/api/chartApi.ts';
import { Select } from '../../shared/components/Select.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import styles from './AccountPeriods.module.css';

const BalanceChart = lazy(async () => ({ default: (await import('./BalanceChart.tsx')).BalanceChart }));

type Period = PeriodsBody['periods'][number];

interface AccountPeriodsProps {
  readonly account: ChartAccountBody;
  readonly currency: Currency;
  /** Whose fiscal year is shown first. */
  readonly lastDay: string;
}

/** What the account held over time, and each period of a fiscal year beside the same one a year earlier. */
export function AccountPeriods({ account, currency, lastDay }: AccountPeriodsProps) {
  const company = useCompany();
  const { data } = useListAccountPeriodsQuery({ companyId: company.id, accountId: account.id });
  const [chosen, setChosen] = useState<number | null>(null);
  const all = data?.periods ?? [];
  const lastEntryDay = company.lastEntryDay ?? lastDay;
  // From its first amount to the last entry of the company: what lies outside says nothing.
  const first = all.findIndex(({ movement }) => movement !== '0');
  const periods = all.filter(({ firstDay }, at) => at >= first && firstDay <= lastEntryDay);
  if (first < 0 || periods.length === 0) return null;
  const flows = isIncomeOrExpense(account.element);
  const measure = flows ? 'movement' : 'closing';
  // On the account's own side, as it stands on a statement.
  const sign = account.normalSide === 'debit' ? 1n : -1n;
  const shown = (period: Period | undefined, of: 'movement' | 'closing'): string => (period ? formatAmount(sign * BigInt(period[of]), currency) : '');
  const years = company.years.filter(({ year }) => periods.some((period) => period.year === year));
  const year = chosen ?? years.find((one) => one.firstDay <= lastDay && lastDay <= one.lastDay)?.year ?? years.at(-1)?.year;
  const periodOf = new Map(periods.map((period) => [`${period.year}.${period.number}`, period]));
  return (
    <section aria-label="Over time">
      <header className={styles.head}>
        <h3>{flows ? 'Month by month' : 'Balance over time'}</h3>
        <Select aria-label="Fiscal year" value={year} onChange={(event) => setChosen(Number(event.target.value))}>
          {years.map(({ year: value, name }) => (
            <option key={value} value={value}>
              {name}
            </option>
          ))}
        </Select>
      </header>
      <Suspense fallback={<div className={styles.chart} />}>
        <BalanceChart periods={periods} measure={measure} sign={account.normalSide === 'debit' ? 1 : -1} currency={currency} isBars={flows} />
      </Suspense>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">Period</th>
            <th scope="col">Movement</th>
            <th scope="col">{flows ? 'Year so far' : 'Balance'}</th>
            <th scope="col">A year earlier</th>
          </tr>
        </thead>
        <tbody>
          {periods
            .filter((period) => period.year === year)
            .map((period) => (
              <tr key={period.number}>
                <th scope="row">{periodName(period)}</th>
                <td>{shown(period, 'movement')}</td>
                <td>{shown(period, 'closing')}</td>
                <td>{shown(periodOf.get(`${period.year - 1}.${period.number}`), measure)}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </section>
  );
}

/** The month alone: the fiscal year is chosen above. */
function periodName({ firstDay }: Period): string {
  return (monthNames[Number(firstDay.slice(5, 7)) - 1] ?? '').slice(0, 3);
}
