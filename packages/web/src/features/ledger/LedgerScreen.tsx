import Button from '@mui/material/Button';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation, useSearchParams } from 'react-router';
import { describeFailure } from '../../api/failureMessages.ts';
import { useGetTrialBalanceQuery } from '../../api/ledgerApi.ts';
import { noticeGiven } from '../../app/noticeSlice.ts';
import { currencyOfCompany, useCompany, useMay } from '../../app/useCompany.ts';
import { useFacetFilter } from '../../app/useFacetFilter.ts';
import { useSpan } from '../../app/useSpan.ts';
import { counted } from '../../components/counted.ts';
import { spanText } from '../../components/dates.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import { copiedText } from '../../components/treegrid/gridColumn.ts';
import { FacetMenu, FacetNote } from '../facets/FacetMenu.tsx';
import { AccountPanel } from './AccountPanel.tsx';
import { BroughtInPanel } from './BroughtInPanel.tsx';
import styles from './LedgerScreen.module.css';
import { LedgerTabs } from './LedgerTabs.tsx';
import { TrialBalanceTable } from './TrialBalanceTable.tsx';
import { useTrialBalanceDrop } from './useTrialBalanceDrop.ts';

/** The trial balance for the chosen span, and where figures come in. */
export function LedgerScreen() {
  const company = useCompany();
  const { span } = useSpan();
  const { facets } = useFacetFilter();
  const dispatch = useDispatch();
  const { search } = useLocation();
  const [params, setParams] = useSearchParams();
  const [filter, setFilter] = useState('');
  const { data, error, isFetching } = useGetTrialBalanceQuery({ companyId: company.id, ...span, facets });
  const drop = useTrialBalanceDrop();
  const mayBringIn = useMay('preparer');
  const accountId = Number(params.get('account') ?? 0);
  const currency = currencyOfCompany(company);
  const openAccount = (id: number | null) =>
    setParams((before) => {
      const next = new URLSearchParams(before);
      if (id === null) next.delete('account');
      else next.set('account', String(id));
      return next;
    });
  return (
    <div className={styles.screen} {...(mayBringIn ? drop.zone : {})} data-over={drop.isOver || undefined}>
      <section className={styles.sheet} aria-labelledby="ledger-title" aria-busy={isFetching}>
        <header className={styles.head}>
          <div>
            <LedgerTabs />
            <h1 id="ledger-title" className="unseen">
              Trial balance
            </h1>
            <p className={styles.printed} aria-hidden>
              {company.name}: trial balance
            </p>
            <p className={styles.facts}>
              {spanText(span.from, span.to)} · {company.currency} · debit positive, {counted(company.accounts, 'account')}
            </p>
          </div>
          <div className={styles.tools}>
            <input
              className={styles.filter}
              type="search"
              placeholder="Filter by number or name"
              aria-label="Filter accounts"
              value={filter}
              onChange={(event) => setFilter(event.target.value)}
            />
            <FacetMenu />
            {mayBringIn && (
              <Button variant="contained" onClick={drop.choose} disabled={drop.isUploading}>
                Bring in a trial balance…
              </Button>
            )}
            {drop.input}
          </div>
        </header>
        <FacetNote />
        {error !== undefined && <EmptyState title="The trial balance cannot be shown">{describeFailure(error)}</EmptyState>}
        {company.accounts === 0 && (
          <EmptyState title="No accounts yet">
            {mayBringIn ? (
              <>
                <p>
                  Drop a trial balance here, as your ledger exports it: CSV, TSV or XLSX. Accounts are made from it; nothing is posted before you have seen what
                  will be.
                </p>
                <Button variant="contained" onClick={drop.choose}>
                  Choose a file…
                </Button>
              </>
            ) : (
              <p>A preparer of the company brings in its trial balance; you see it here then.</p>
            )}
          </EmptyState>
        )}
        {data && company.accounts > 0 && (
          <TrialBalanceTable
            view={data}
            currency={currency}
            filter={filter}
            chosen={accountId}
            onOpen={openAccount}
            onCopied={(rows) => void dispatch(noticeGiven({ tone: 'done', text: copiedText(rows) }))}
          />
        )}
      </section>
      {accountId > 0 ? <AccountPanel accountId={accountId} accounts={data?.accounts ?? []} onOpen={openAccount} /> : <BroughtInPanel />}
      {mayBringIn && company.unplaced > 0 && company.lastEntryDay !== null && (
        <p className={styles.next}>
          <span>{counted(company.unplaced, 'account stands', 'accounts stand')} in no category yet.</span>
          <Link to={{ pathname: `/companies/${company.id}/placement`, search }}>Place them</Link>
        </p>
      )}
    </div>
  );
}
