import { shortDay, spanText } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation, useNavigate } from 'react-router';
import { useGetTrialBalanceQuery } from '../../shared/api/ledgerApi.ts';
import { pathOf } from '../../shared/api/requestOf.ts';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { copiedText } from '../../shared/components/treegrid/gridColumn.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useFacetFilter } from '../../shared/state/useFacetFilter.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { useTakeFile } from '../../shared/state/useTakeFile.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { FacetMenu, FacetNote } from '../facets/index.ts';
import { AccountPanel } from './AccountPanel.tsx';
import { AdjustmentsPanel } from './AdjustmentsPanel.tsx';
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
  const navigate = useNavigate();
  const [params, change] = useAddress();
  const [filter, setFilter] = useState('');
  const { data, error, isFetching } = useGetTrialBalanceQuery({ companyId: company.id, ...span, facets });
  const drop = useTrialBalanceDrop();
  const mayBringIn = useMay('prepare_entries');
  const shows = params.get('shows') === 'adjusted' ? 'adjusted' : 'movements';
  const isCompared = (params.get('compared') ?? (shows === 'adjusted' ? '1' : '0')) === '1';
  const hasZero = params.get('zero') === '1';
  const accountId = Number(params.get('account') ?? 0);
  const currency = currencyOfCompany(company);
  const openAccount = (id: number | null) => change({ account: id === null ? null : String(id) });
  const bringIn = (what: 'file' | 'opening' | 'journal') => {
    if (what === 'file') drop.choose();
    else void navigate({ pathname: `/companies/${company.id}/ledger/${what === 'opening' ? 'opening' : 'entries/import'}`, search });
  };
  const takeFile = useTakeFile();
  const take = (as: 'csv' | 'workbook') => {
    const asked = { companyId: company.id, ...span, facets, view: shows, zero: hasZero ? '1' : '0' } as const;
    takeFile(pathOf(as === 'csv' ? 'exportTrialBalanceCsv' : 'exportTrialBalanceWorkbook', asked));
  };
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
              {shows === 'adjusted' ? `At ${shortDay(span.to)}` : spanText(span.from, span.to)} · {company.currency} · debit positive
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
            <ChoiceMenu
              label={shows === 'adjusted' ? 'Adjusted' : 'Movements'}
              choices={[
                { value: 'movements', label: 'Opening, movements and closing' },
                { value: 'adjusted', label: 'Ledger, adjustments and adjusted', divided: true },
                { value: 'compared', label: 'The comparative too' },
                { value: 'zero', label: 'Accounts without amounts too' },
              ]}
              chosen={[shows, ...(isCompared ? ['compared' as const] : []), ...(hasZero ? ['zero' as const] : [])]}
              onChoose={(what) => {
                if (what === 'zero') change({ zero: hasZero ? null : '1' });
                else if (what === 'compared') change({ compared: isCompared ? '0' : '1' });
                else change({ shows: what === 'adjusted' ? what : null });
              }}
            />
            <ChoiceMenu
              label="Export"
              choices={[
                { value: 'workbook', label: 'Workbook with live formulas (XLSX)' },
                { value: 'csv', label: 'Figures as CSV' },
                { value: 'print', label: 'Print…' },
              ]}
              chosen={[]}
              onChoose={(what) => (what === 'print' ? window.print() : take(what))}
            />
            {mayBringIn && (
              <ChoiceMenu
                label="Bring in"
                strong
                choices={[
                  { value: 'file', label: 'A trial balance from a file…' },
                  { value: 'opening', label: 'Opening balances by hand…' },
                  { value: 'journal', label: 'Journal lines from a file…' },
                ]}
                chosen={[]}
                onChoose={bringIn}
              />
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
            shows={shows}
            isCompared={isCompared}
            hasZero={hasZero}
            filter={filter}
            chosen={accountId}
            onOpen={openAccount}
            onCopied={(rows) => void dispatch(noticeGiven({ tone: 'done', text: copiedText(rows) }))}
          />
        )}
      </section>
      {accountId > 0 ? (
        <AccountPanel accountId={accountId} accounts={data?.accounts ?? []} onOpen={openAccount} />
      ) : shows === 'adjusted' ? (
        <AdjustmentsPanel to={span.to} currency={currency} />
      ) : (
        <BroughtInPanel />
      )}
      {mayBringIn && company.unplaced > 0 && company.lastEntryDay !== null && (
        <p className={styles.next}>
          <span>{counted(company.unplaced, 'account stands', 'accounts stand')} in no category yet.</span>
          <Link to={{ pathname: `/companies/${company.id}/placement`, search }}>Place them</Link>
        </p>
      )}
    </div>
  );
}
