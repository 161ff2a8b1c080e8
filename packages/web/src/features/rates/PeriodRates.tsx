import type { Company } from '@ivory-ladder/contract';
import { ageInDays, closingRateOn, type ExchangeRate, shortDay } from '@ivory-ladder/core';
import { counted } from '../../shared/words/counted.ts';
import { RateCell } from './RateCell.tsx';
import styles from './RatesScreen.module.css';
import type { RateKey } from './rateKey.ts';

interface PeriodRatesProps {
  readonly rates: readonly ExchangeRate[];
  readonly currency: string;
  readonly year: Company['years'][number];
  readonly mayKeep: boolean;
  readonly save: (key: RateKey, text: string) => Promise<string | null>;
}

/** The closing rate at the end of each period of a year and the average over it; where one is missing, what stands in for it and how old it is. */
export function PeriodRates({ rates, currency, year, mayKeep, save }: PeriodRatesProps) {
  const rateOf = (kind: 'closing' | 'average', day: string) => rates.find((rate) => rate.kind === kind && rate.day === day)?.rate ?? '';
  const cell = (kind: 'closing' | 'average', day: string, label: string) => {
    const value = rateOf(kind, day);
    if (!mayKeep) return value;
    return <RateCell label={label} value={value} onSave={(text) => save({ currency, kind, day, accountId: null }, text)} />;
  };
  const standsIn = (day: string): string => {
    if (rateOf('closing', day) !== '') return '';
    const found = closingRateOn(rates, currency, day);
    return found ? `▲ ${found.rate} of ${shortDay(found.day)}, ${counted(ageInDays(found, day), 'day')} old` : '▲ none up to this day';
  };
  return (
    <section aria-label={`Rates of the year ${year.name}`}>
      <h2>{year.name}, by period</h2>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">Period ends</th>
            <th scope="col" data-amount>
              Closing
            </th>
            <th scope="col" data-amount>
              Average of the period
            </th>
            <th scope="col">In force where closing is missing</th>
          </tr>
        </thead>
        <tbody>
          {year.periods
            .filter(({ isAdjusting }) => !isAdjusting)
            .map(({ number, firstDay, lastDay }) => (
              <tr key={number}>
                <th scope="row">{shortDay(lastDay)}</th>
                <td data-amount>{cell('closing', lastDay, `Closing rate on ${shortDay(lastDay)}`)}</td>
                <td data-amount>{cell('average', firstDay, `Average rate of the period to ${shortDay(lastDay)}`)}</td>
                <td className={styles.missing}>{standsIn(lastDay)}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </section>
  );
}
