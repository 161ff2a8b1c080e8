import { lazy, Suspense } from 'react';
import { Outlet, useParams, useSearchParams } from 'react-router';
import { useGetCompanyQuery } from '../shared/api/companyApi.ts';
import { EmptyState } from '../shared/components/EmptyState.tsx';
import { doorOf } from '../shared/state/ToSignIn.tsx';
import { CompanyContext } from '../shared/state/useCompany.ts';
import { describeFailure } from '../shared/words/failureMessages.ts';
import styles from './CompanyFrame.module.css';
import { CompanyHead } from './CompanyHead.tsx';
import { FindButton } from './FindButton.tsx';
import { LadderRail } from './LadderRail.tsx';
import { NoticeBar } from './NoticeBar.tsx';
import { PeriodRibbon } from './PeriodRibbon.tsx';
import { ProofStrip } from './ProofStrip.tsx';

const ClimbDialog = lazy(async () => ({ default: (await import('../features/climb/ClimbDialog.tsx')).ClimbDialog }));

/** Rail, ribbon and proof strip around every screen of one company. */
export function CompanyFrame() {
  const companyId = Number(useParams().companyId);
  const climbing = Number(useSearchParams()[0].get('climb') ?? 0);
  const { data: company, error } = useGetCompanyQuery({ companyId });
  const door = doorOf(error);
  if (door && !company) return door;
  if (!company)
    return error ? (
      <EmptyState title="This company cannot be shown">
        <p>{describeFailure(error)}</p>
        <a href="/companies">Go to the companies</a>
      </EmptyState>
    ) : (
      <output className="unseen">Loading</output>
    );
  return (
    <CompanyContext.Provider value={company}>
      <div className={styles.frame}>
        <a className={styles.skip} href="#main">
          Skip to the content
        </a>
        <LadderRail />
        <header className={styles.head}>
          <CompanyHead />
          <PeriodRibbon />
          <FindButton />
        </header>
        <main id="main" className={styles.main} tabIndex={-1}>
          <Outlet />
        </main>
        <ProofStrip />
        <NoticeBar />
        {climbing > 0 && (
          <Suspense fallback={null}>
            <ClimbDialog accountId={climbing} />
          </Suspense>
        )}
      </div>
    </CompanyContext.Provider>
  );
}
