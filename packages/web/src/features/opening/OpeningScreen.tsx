import { useState } from 'react';
import { useGetChartQuery } from '../../shared/api/chartApi.ts';
import { useGetTrialBalanceQuery } from '../../shared/api/ledgerApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { OpeningForm } from './OpeningForm.tsx';
import styles from './OpeningScreen.module.css';
import { usualDay } from './usualDay.ts';

/** Balances of all balance sheet accounts at the end of a day, by hand: with them a ledger begins. */
export function OpeningScreen() {
  const company = useCompany();
  const mayPost = useMay('prepare_entries');
  const { span } = useSpan();
  const [day, setDay] = useState(() => usualDay(company.years));
  const whole = { companyId: company.id, from: day, to: day, compare: 'none' } as const;
  const { data: chart, error } = useGetChartQuery({ companyId: company.id, ...span });
  const { currentData: view, error: refused } = useGetTrialBalanceQuery({ ...whole, facets: '' });
  if (!mayPost)
    return (
      <section className={styles.sheet}>
        <EmptyState title="Opening balances are set by preparers">
          {describeFailure({ code: 'permission_needed', facts: { needs: 'prepare_entries' } })}
        </EmptyState>
      </section>
    );
  const failed = error ?? refused;
  return (
    <section className={styles.sheet} aria-labelledby="opening-title">
      <h1 id="opening-title">Opening balances</h1>
      {failed !== undefined && <EmptyState title="The balances cannot be shown">{describeFailure(failed)}</EmptyState>}
      {chart && view && <OpeningForm key={`${day} ${view.revision}`} day={day} accounts={chart.accounts} held={view.accounts} onDay={setDay} />}
    </section>
  );
}
