import { useCallback } from 'react';
import { useSelector } from 'react-redux';
import { Link, Outlet } from 'react-router';
import { useGetPlacementQuery } from '../../shared/api/placementApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import type { AppState } from '../../shared/state/appState.ts';
import { noRehearsal, rehearsedKey } from '../../shared/state/rehearsalSlice.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './PlacementFrame.module.css';
import { RehearsalBar } from './RehearsalBar.tsx';
import { useKeptRehearsal } from './useKeptRehearsal.ts';
import { PlacementContext } from './usePlacement.ts';
import { useRehearsal } from './useRehearsal.ts';

/** The screens that change the placement, over one rehearsal of its changes; another classification begins with a frame of its own. */
export function PlacementFrame() {
  const company = useCompany();
  const { classification } = useClassification();
  return <ClassifiedFrame key={rehearsedKey(company.id, classification.id)} />;
}

function ClassifiedFrame() {
  const company = useCompany();
  const { span } = useSpan();
  const { classification, asked } = useClassification();
  const { data, error } = useGetPlacementQuery({ companyId: company.id, ...span, ...asked });
  const rehearsing = useRehearsal(data);
  const working = useSelector((state: AppState) => state.rehearsal[rehearsedKey(company.id, classification.id)] ?? noRehearsal);
  const accountName = useCallback((id: number): string => data?.accounts.find((account) => account.id === id)?.label ?? '', [data]);
  useKeptRehearsal(data ? working : undefined, accountName);
  if (error !== undefined && !data) return <EmptyState title="The placement cannot be shown">{describeFailure(error)}</EmptyState>;
  if (!data || !rehearsing) return null;
  if (data.accounts.length === 0)
    return (
      <section className={styles.sheet}>
        <EmptyState title="No accounts to place">
          <p>Accounts come with a trial balance.</p>
          <Link to={`/companies/${company.id}/ledger`}>Bring in a trial balance</Link>
        </EmptyState>
      </section>
    );
  return (
    <PlacementContext.Provider value={rehearsing}>
      <div className={styles.frame}>
        <div className={styles.screen}>
          <Outlet />
        </div>
        <RehearsalBar />
      </div>
    </PlacementContext.Provider>
  );
}
