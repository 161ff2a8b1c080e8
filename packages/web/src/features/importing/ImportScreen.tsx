import type { TrialBalanceCheckDraft } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { useCheckTrialBalanceQuery, usePostTrialBalanceMutation } from '../../shared/api/ledgerApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import type { TreeGridHandle } from '../../shared/components/treegrid/TreeGrid.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { useTrialBalanceDrop } from '../ledger/index.ts';
import { BeforePosting } from './BeforePosting.tsx';
import styles from './ImportScreen.module.css';
import { ReadingBar } from './ReadingBar.tsx';
import { ReadRowsTable } from './ReadRowsTable.tsx';

/** What a file was taken for, its rows as they will be posted, and what stands in the way; nothing is changed before posting. */
export function ImportScreen() {
  const company = useCompany();
  const fileId = Number(useParams().fileId);
  const { search } = useLocation();
  const navigate = useNavigate();
  const dispatch = useDispatch();
  const drop = useTrialBalanceDrop();
  const table = useRef<TreeGridHandle>(null);
  const isHere = useRef(false);
  useEffect(() => {
    isHere.current = true;
    return () => {
      isHere.current = false;
    };
  }, []);
  const [draft, setDraft] = useState<TrialBalanceCheckDraft>({});
  const [key] = useState(() => crypto.randomUUID());
  const [attempt, setAttempt] = useState(0);
  const { data, currentData, error, isFetching } = useCheckTrialBalanceQuery({ companyId: company.id, fileId, body: draft });
  const [post, { isLoading }] = usePostTrialBalanceMutation();
  // Rows that were left out are rows of the sheet, and as the file was cut into rows.
  const change = (changes: Partial<TrialBalanceCheckDraft>) =>
    setDraft((before) => ({ ...before, ...('sheet' in changes || 'separator' in changes || 'encoding' in changes ? { leaveOut: [] } : {}), ...changes }));
  const submit = async () => {
    const posted = await post({
      companyId: company.id,
      fileId,
      body: { ...draft, date: draft.date ?? data?.date ?? undefined, figures: draft.figures ?? data?.figures },
      key: `${key}.${attempt}`,
    });
    if (!posted.data) {
      setAttempt((count) => count + 1);
      return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(posted.error) }));
    }
    const { entries, newAccounts } = posted.data;
    const lines = entries.reduce((sum, entry) => sum + entry.lines, 0);
    const done =
      entries.length === 0
        ? 'Nothing to post: the ledger holds these balances already'
        : `Posted: ${counted(entries.length, 'entry', 'entries')} of ${counted(lines, 'line')}`;
    dispatch(noticeGiven({ tone: 'done', text: `${done}${newAccounts > 0 ? `, ${counted(newAccounts, 'account')} added` : ''}.` }));
    // Whoever has gone elsewhere meanwhile is told, not fetched.
    if (!isHere.current) return;
    const params = new URLSearchParams(search);
    for (const name of ['from', 'to']) params.delete(name);
    void navigate({ pathname: `/companies/${company.id}/${newAccounts > 0 ? 'placement' : 'ledger'}`, search: params.toString() });
  };
  if (error !== undefined && !currentData)
    return (
      <section className={styles.sheet} {...drop.zone}>
        <EmptyState title="This file cannot be read as a trial balance">
          <p role="alert">{describeFailure(error)}</p>
          <Button variant="contained" onClick={drop.choose}>
            Other file…
          </Button>
          {drop.input}
          <Link to={{ pathname: `/companies/${company.id}/ledger`, search }}>Back to the ledger</Link>
        </EmptyState>
      </section>
    );
  if (!data) return <section className={styles.sheet} aria-busy />;
  return (
    <div className={styles.screen} {...drop.zone}>
      <section className={styles.sheet} aria-labelledby="import-title" aria-busy={isFetching}>
        <header className={styles.head}>
          <div className={styles.title}>
            <h1 id="import-title">Trial balance from a file</h1>
            <p className={styles.facts}>
              {data.fileName} · {summary(data)}
            </p>
          </div>
          <Button onClick={drop.choose}>Other file…</Button>
          {drop.input}
        </header>
        <ReadingBar check={data} onChange={change} />
        <ReadRowsTable ref={table} check={data} draft={draft} onChange={change} />
      </section>
      <BeforePosting
        check={data}
        draft={draft}
        isBusy={isLoading || isFetching}
        onChange={change}
        onShowRow={(row) => table.current?.showRow(row)}
        onCancel={() => void navigate({ pathname: `/companies/${company.id}/ledger`, search })}
        onPost={() => void submit()}
      />
    </div>
  );
}

function summary({ rows, leftOut }: { rows: readonly unknown[]; leftOut: readonly { reason: string }[] }): string {
  const count = (...reasons: string[]) => leftOut.filter(({ reason }) => reasons.includes(reason)).length;
  const titles = count('title', 'heading_repeated');
  const totals = count('total', 'parent_total');
  const parts = [titles > 0 ? counted(titles, 'title line') : '', totals > 0 ? counted(totals, 'total line') : ''].filter(Boolean);
  return `${counted(rows.length, 'account')}${parts.length > 0 ? `, ${parts.join(' and ')} left out` : ''}`;
}
