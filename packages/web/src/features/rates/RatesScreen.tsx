import { currencyCodes, findCurrency, readRate, writeDecimal } from '@ivory-ladder/core';
import { useDispatch } from 'react-redux';
import { useGetChartQuery } from '../../shared/api/chartApi.ts';
import { useListRatesQuery, useReadRateFileMutation, useSetRatesMutation } from '../../shared/api/rateApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { FileButton } from '../../shared/components/FileButton.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { LedgerTabs } from '../ledger/index.ts';
import { DatedRates } from './DatedRates.tsx';
import { PeriodRates } from './PeriodRates.tsx';
import styles from './RatesScreen.module.css';
import type { RateKey } from './rateKey.ts';

const faultWords = {
  day_unreadable: 'is no date such as 2026-09-30',
  currency_unknown: 'is no other currency of ISO 4217',
  kind_unknown: 'is none of closing, average and historical',
  rate_unreadable: 'is no rate above zero',
  account_needed: 'is no account; a historical rate has one',
};

/** Exchange rates of one currency at a time: at period ends, averages, other days, and historical ones of equity accounts. */
export function RatesScreen() {
  const company = useCompany();
  const dispatch = useDispatch();
  const { span } = useSpan();
  const [params, change] = useAddress();
  const mayKeep = useMay('keep_budgets_and_rates');
  const { data, error } = useListRatesQuery({ companyId: company.id });
  const { data: chart } = useGetChartQuery({ companyId: company.id, ...span });
  const [setRates] = useSetRatesMutation();
  const [readFile, { isLoading: isReading }] = useReadRateFileMutation();
  const all = data?.rates ?? [];
  const currencies = [...new Set(all.map(({ currency }) => currency))];
  const asked = params.get('currency') ?? '';
  const currency = findCurrency(asked) && asked !== company.currency ? asked : (currencies[0] ?? '');
  const codes = [...new Set([...currencies, ...(currency === '' ? [] : [currency])])].sort();
  const rates = all.filter((rate) => rate.currency === currency);
  const year = company.years.find(({ firstDay, lastDay }) => firstDay <= span.to && span.to <= lastDay) ?? company.years.at(-1);
  const say = (tone: 'done' | 'refused', text: string) => void dispatch(noticeGiven({ tone, text }));
  /** As it was shown. */
  const standingOf = (key: RateKey): string | null =>
    all.find((rate) => rate.currency === key.currency && rate.kind === key.kind && rate.day === key.day && rate.accountId === key.accountId)?.rate ?? null;
  /** Gives why it was not taken, or `null`. An empty text takes the rate away. */
  const save = async (key: RateKey, text: string): Promise<string | null> => {
    const read = text.trim() === '' ? null : readRate(text);
    if (text.trim() !== '' && !read) return `«${text}» is no rate above zero.`;
    const result = await setRates({ companyId: company.id, body: { set: [{ ...key, rate: read && writeDecimal(read), before: standingOf(key) }] } });
    return result.error === undefined ? null : describeFailure(result.error);
  };
  const load = async (file: File) => {
    const { data: found, error: unread } = await readFile({ companyId: company.id, file });
    if (!found) return say('refused', describeFailure(unread));
    const [first] = found.faults;
    if (first)
      return say(
        'refused',
        `Nothing was taken. Row ${first.row}: «${first.found}» ${faultWords[first.code]}.${found.faults.length > 1 ? ` ${counted(found.faults.length - 1, 'more row is', 'more rows are')} wrong.` : ''}`,
      );
    if (found.rates.length === 0) return say('refused', `${file.name} holds no rate.`);
    const result = await setRates({ companyId: company.id, body: { set: found.rates.map((rate) => ({ ...rate, before: standingOf(rate) })) } });
    if (result.error !== undefined) return say('refused', describeFailure(result.error));
    say('done', `Taken from ${file.name}: ${counted(found.rates.length, 'rate')}.`);
    change({ currency: found.rates[0]?.currency });
  };
  const shared = { rates, currency, save, mayKeep, accounts: chart?.accounts ?? [] };
  return (
    <section className={styles.sheet} aria-labelledby="rates-title">
      <header className={styles.head}>
        <div>
          <LedgerTabs />
          <h1 id="rates-title" className="unseen">
            Exchange rates
          </h1>
        </div>
        {mayKeep && (
          <FileButton
            label="File of exchange rates"
            accept=".csv,.tsv,.txt,.xlsx"
            disabled={isReading}
            title="Columns: date, currency, rate, kind, account"
            onFile={(file) => void load(file)}
          >
            From a file…
          </FileButton>
        )}
      </header>
      <div className={styles.tools}>
        {codes.length > 0 && (
          <Select aria-label="Currency" value={currency} onChange={(event) => change({ currency: event.target.value })}>
            {codes.map((code) => (
              <option key={code}>{code}</option>
            ))}
          </Select>
        )}
        {mayKeep && (
          <Select aria-label="Add a currency" value="" onChange={(event) => change({ currency: event.target.value })}>
            <option value="">another currency…</option>
            {currencyCodes()
              .filter((code) => code !== company.currency && !codes.includes(code))
              .map((code) => (
                <option key={code}>{code}</option>
              ))}
          </Select>
        )}
        {currency !== '' && (
          <span className={styles.quiet}>
            A rate is so much {currency} for one {company.currency}. What was posted keeps the rate it was posted at.
          </span>
        )}
      </div>
      {error !== undefined && !data && <EmptyState title="The rates cannot be shown">{describeFailure(error)}</EmptyState>}
      {data && currency === '' && (
        <EmptyState title="No exchange rate yet">
          <p>Choose a currency to write its rates, or take them from a file with the columns date, currency, rate, kind and account.</p>
        </EmptyState>
      )}
      {currency !== '' && year && (
        <div className={styles.parts}>
          <PeriodRates {...shared} year={year} />
          <div className={styles.beside}>
            <DatedRates {...shared} kind="closing" year={year} />
            <DatedRates {...shared} kind="historical" year={year} />
          </div>
        </div>
      )}
    </section>
  );
}
