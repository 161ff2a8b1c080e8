import { skipToken } from '@reduxjs/toolkit/query';
import { useSearchParams } from 'react-router';
import { useGetChartQuery } from '../../shared/api/chartApi.ts';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { useGetEntryQuery } from '../../shared/api/ledgerApi.ts';
import { useListRatesQuery } from '../../shared/api/rateApi.ts';
import { useListSeriesQuery } from '../../shared/api/seriesApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { EntryForm } from './EntryForm.tsx';
import styles from './NewEntryScreen.module.css';
import { clearingDraft, draftOf, emptyDraft } from './useEntryDraft.ts';

/** A new entry, from nothing, from what was kept of it, from a copy of another one, or from an amount that an account is to be cleared of. */
export function NewEntryScreen() {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const { span } = useSpan();
  const mayPost = useMay('prepare_entries');
  const [params] = useSearchParams();
  const copyOf = Number(params.get('copy') ?? 0);
  const { data: chart, error } = useGetChartQuery({ companyId: company.id, ...span });
  const { data: codeLists } = useListCodeListsQuery({ companyId: company.id });
  const { data: series } = useListSeriesQuery({ companyId: company.id });
  const { data: rates } = useListRatesQuery({ companyId: company.id });
  const { data: copied } = useGetEntryQuery(copyOf > 0 ? { companyId: company.id, entryId: copyOf } : skipToken);
  if (!mayPost)
    return (
      <section className={styles.sheet}>
        <EmptyState title="Entries are posted by preparers">{describeFailure({ code: 'permission_needed', facts: { needs: 'prepare_entries' } })}</EmptyState>
      </section>
    );
  if (error !== undefined && !chart) return <EmptyState title="The chart cannot be read">{describeFailure(error)}</EmptyState>;
  if (!chart || !codeLists || (copyOf > 0 && !copied)) return null;
  const cleared = chart.accounts.find(({ id }) => id === Number(params.get('clear')));
  const net = /^-?\d{1,18}$/.test(params.get('amount') ?? '') ? BigInt(params.get('amount') ?? '0') : 0n;
  const first = copied ? draftOf(copied, currency) : cleared ? clearingDraft(span.to, cleared, net, currency) : emptyDraft(span.to, 'ledger');
  return (
    <EntryForm
      key={`${copyOf} ${cleared?.id ?? 0}`}
      first={first}
      isCopy={copied !== undefined || cleared !== undefined}
      accounts={chart.accounts}
      facets={codeLists.lists.filter(({ kind }) => kind === 'facet')}
      currency={currency}
      rates={rates?.rates ?? []}
      series={series?.series ?? []}
    />
  );
}
