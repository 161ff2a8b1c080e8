import { useSelector } from 'react-redux';
import { Link, Outlet } from 'react-router';
import { describeFailure } from '../../api/failureMessages.ts';
import { useGetPlacementQuery } from '../../api/placementApi.ts';
import { noRehearsal } from '../../app/rehearsalSlice.ts';
import type { AppState } from '../../app/store.ts';
import { useCompany } from '../../app/useCompany.ts';
import { useSpan } from '../../app/useSpan.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import styles from './PlacementFrame.module.css';
import { RehearsalBar } from './RehearsalBar.tsx';
import { useKeptRehearsal } from './useKeptRehearsal.ts';
import { PlacementContext } from './usePlacement.ts';
import { useRehearsal } from './useRehearsal.ts';

/** The screens that change the placement, over one rehearsal of its changes. */
export function PlacementFrame() {
  const company = useCompany();
  const { span } = useSpan();
  const { data, error } = useGetPlacementQuery({ companyId: company.id, ...span });
  const rehearsing = useRehearsal(data);
  const working = useSelector((state: AppState) => state.rehearsal[company.id] ?? noRehearsal);
  useKeptRehearsal(data ? working : undefined);
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
