import type { AccountBody, AccountChange, AccountInputBody, ChartAccountBody } from '@ivory-ladder/contract';
import { buildCategoryTree, elements, pathOf } from '@ivory-ladder/core';
import Close from '@mui/icons-material/Close';
import KeyboardArrowDown from '@mui/icons-material/KeyboardArrowDown';
import KeyboardArrowUp from '@mui/icons-material/KeyboardArrowUp';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useGetChartQuery, useUploadChartFileMutation } from '../../api/chartApi.ts';
import { describeFailure } from '../../api/failureMessages.ts';
import { useGetPlacementQuery } from '../../api/placementApi.ts';
import { currencyOfCompany, useCompany, useMay } from '../../app/useCompany.ts';
import { useFileDrop } from '../../app/useFileDrop.tsx';
import { useSpan } from '../../app/useSpan.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import { copiedText } from '../../components/treegrid/gridColumn.ts';
import type { TreeGridHandle } from '../../components/treegrid/TreeGrid.tsx';
import { ChangeManyPanel } from '../chartfile/ChangeManyPanel.tsx';
import { usePaste } from '../chartfile/usePaste.ts';
import { LedgerTabs } from '../ledger/LedgerTabs.tsx';
import { AccountFacts } from './AccountFacts.tsx';
import { AccountForm } from './AccountForm.tsx';
import styles from './ChartScreen.module.css';
import { amountsText, ChartTable } from './ChartTable.tsx';
import { ChartTools } from './ChartTools.tsx';
import { branchOf, chartFilters, chartSearch, type NewAccountStart, searchTexts, startBelow, startBeside, stepOf } from './chartModel.ts';
import { MergePanel } from './MergePanel.tsx';
import { RenumberPanel } from './RenumberPanel.tsx';
import { useChartActions } from './useChartActions.ts';

const steps: Readonly<Record<string, 'up' | 'down' | 'in' | 'out'>> = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'in', ArrowLeft: 'out' };

/** The chart of accounts: find, add, change, nest and order accounts; Alt and an arrow moves the row that the keyboard stands on. */
export function ChartScreen() {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const { span } = useSpan();
  const [params, setParams] = useSearchParams();
  const { data: chart, error, isFetching } = useGetChartQuery({ companyId: company.id, ...span });
  const { data: placement } = useGetPlacementQuery({ companyId: company.id, ...span });
  const [upload, { isLoading: isUploading }] = useUploadChartFileMutation();
  const drop = useFileDrop({ label: 'Chart file', upload, isUploading, readAt: (fileId) => `ledger/chart/file/${fileId}` });
  const actions = useChartActions();
  const mayKeep = useMay('preparer');
  const [task, setTask] = useState<'renumber' | 'merge' | 'many' | null>(null);
  const [editing, setEditing] = useState<{ start: NewAccountStart; account: ChartAccountBody | null; count: number } | null>(null);
  const table = useRef<TreeGridHandle>(null);
  const followed = useRef<number | null>(Number(params.get('account') ?? 0) || null);
  const text = params.get('find') ?? '';
  const filter = chartFilters.find((value) => value === params.get('show')) ?? 'all';
  const element = elements.find((value) => value === params.get('element')) ?? '';
  const texts = useMemo(() => searchTexts(chart?.accounts ?? []), [chart]);
  const isSought = useMemo(() => chartSearch(texts, text, filter, element), [texts, text, filter, element]);
  const categoryPaths = useMemo(() => {
    const { nodes } = buildCategoryTree(placement?.categories ?? []);
    return [...new Set([...nodes.values()].map((node) => pathOf(node).join(' > ')))];
  }, [placement]);
  const chosen = chart?.accounts.find(({ id }) => id === Number(params.get('account') ?? 0)) ?? null;
  const set = (changes: Record<string, string>, replace = false) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [key, value] of Object.entries(changes)) {
          if (value === '') next.delete(key);
          else next.set(key, value);
        }
        return next;
      },
      { replace },
    );
  useEffect(() => {
    if (!chart || isFetching || followed.current === null) return;
    table.current?.showRow(followed.current);
    followed.current = null;
  }, [chart, isFetching]);
  const open = (id: number | null) => {
    setEditing(null);
    setTask(null);
    set({ account: id === null ? '' : String(id) });
  };
  /** In the order and filter of the table. */
  const stepTo = (step: 1 | -1) => {
    const next = chosen ? (table.current?.beside(chosen.id, step) ?? null) : null;
    if (next === null) return;
    open(next);
    table.current?.showRow(next);
  };
  const onAdd = async (body: AccountInputBody, isAnother: boolean) => {
    const added = await actions.add(body);
    if (!added) return;
    set({ account: String(added.id) });
    if (!isAnother || !chart) return setEditing(null);
    const beside = asNeighbour(added, body.categoryId ?? null);
    setEditing((before) => ({ start: startBeside([...chart.accounts, beside], beside), account: null, count: (before?.count ?? 0) + 1 }));
  };
  const onChange = async (account: ChartAccountBody, fields: AccountChange, said?: string) => {
    if (await actions.change(account, fields, said)) setEditing(null);
  };
  const begin = (start: NewAccountStart, account: ChartAccountBody | null = null) => {
    setTask(null);
    setEditing((before) => ({ start, account, count: (before?.count ?? 0) + 1 }));
  };
  const beginBeside = (account: ChartAccountBody | null) => begin(startBeside(chart?.accounts ?? [], account));
  const onRowKey = (event: KeyboardEvent, account: ChartAccountBody, isFlat: boolean): boolean => {
    if (!mayKeep) return false;
    const step = event.altKey ? steps[event.key] : undefined;
    if (step !== undefined && isFlat) actions.say('refused', 'Rows are moved in the chart’s own order: clear the filter and the order of the columns first.');
    else if (step !== undefined && chart) {
      const move = stepOf(chart.accounts, account, step);
      if (move) {
        followed.current = account.id;
        void onChange(account, { version: account.version, ...move }, `Moved: ${account.number} ${account.name}.`);
      }
    } else if (event.key === 'Insert') beginBeside(account);
    else if (event.key === 'F2') {
      set({ account: String(account.id) });
      begin(startBeside(chart?.accounts ?? [], account), account);
    } else return false;
    return true;
  };
  const shown = isSought === null ? (chart?.accounts ?? []) : (chart?.accounts ?? []).filter(isSought);
  usePaste(mayKeep, (content) => void drop.hand(new File([content], 'pasted.tsv', { type: 'text/tab-separated-values' })));
  const name = chosen ? `${chosen.number} ${chosen.name}` : 'No account chosen';
  const edited = editing?.account ? `Change ${editing.account.number}` : 'New account';
  const title = task ? { renumber: 'Renumber', many: 'Change many', merge: `Merge ${chosen?.number ?? ''}` }[task] : editing ? edited : name;
  return (
    <div className={styles.screen} {...(mayKeep ? drop.zone : {})} data-over={drop.isOver || undefined}>
      <section className={styles.sheet} aria-label="Chart of accounts" aria-busy={isFetching}>
        <header className={styles.head}>
          <div>
            <LedgerTabs />
            <h1 className="unseen">Chart of accounts</h1>
            <p className={styles.printed} aria-hidden>
              {company.name}: chart of accounts
            </p>
            <p className={styles.quiet}>{chart ? amountsText(chart) : ' '}</p>
          </div>
          <ChartTools
            text={text}
            element={element}
            filter={filter}
            onChange={set}
            onLoad={mayKeep ? drop.choose : null}
            onRenumber={() => {
              setEditing(null);
              setTask('renumber');
            }}
            onChangeMany={() => {
              setEditing(null);
              setTask('many');
            }}
            onAdd={() => beginBeside(chosen)}
          />
          {drop.input}
        </header>
        {error !== undefined && !chart && <EmptyState title="The chart cannot be shown">{describeFailure(error)}</EmptyState>}
        {chart?.accounts.length === 0 && (
          <EmptyState title="No accounts yet">
            {mayKeep ? (
              <>
                <p>Add the first one here, or bring in a trial balance: its accounts come with it.</p>
                <Button variant="contained" onClick={() => beginBeside(null)}>
                  Add account…
                </Button>
              </>
            ) : (
              <p>A preparer of the company keeps its chart; you see it here then.</p>
            )}
          </EmptyState>
        )}
        {chart && chart.accounts.length > 0 && (
          <ChartTable
            ref={table}
            chart={chart}
            currency={currency}
            isSought={isSought}
            chosen={chosen?.id ?? 0}
            onOpen={({ id }) => open(id)}
            onCopied={(rows) => actions.say('done', copiedText(rows))}
            onRowKey={onRowKey}
          />
        )}
      </section>
      <aside className={styles.panel} aria-label="Account">
        <header className={styles.panelHead}>
          <h2>{title}</h2>
          {chosen && !editing && !task && (
            <span className={styles.steps}>
              <IconButton size="small" aria-label="Previous account" title="Previous account" onClick={() => stepTo(-1)}>
                <KeyboardArrowUp fontSize="inherit" />
              </IconButton>
              <IconButton size="small" aria-label="Next account" title="Next account" onClick={() => stepTo(1)}>
                <KeyboardArrowDown fontSize="inherit" />
              </IconButton>
            </span>
          )}
          {(editing || task || chosen) && (
            <IconButton
              size="small"
              aria-label={editing || task ? 'Leave the form' : 'Close the account'}
              onClick={() => {
                if (task) setTask(null);
                else if (editing) setEditing(null);
                else open(null);
              }}
            >
              <Close fontSize="inherit" />
            </IconButton>
          )}
        </header>
        {task === 'renumber' && chart && (
          <RenumberPanel
            accounts={chart.accounts}
            shown={shown}
            branch={branchOf(chart.accounts, chosen)}
            isBusy={actions.isBusy}
            onApply={async (changes) => {
              if (await actions.renumber(changes)) setTask(null);
            }}
            onCancel={() => setTask(null)}
          />
        )}
        {editing && chart && (
          <AccountForm
            key={editing.count}
            accounts={chart.accounts}
            categories={placement?.categories ?? []}
            account={chart.accounts.find(({ id }) => id === editing.account?.id) ?? editing.account}
            start={editing.start}
            isBusy={actions.isBusy}
            onAdd={(body, isAnother) => void onAdd(body, isAnother)}
            onChange={(fields) => editing.account && void onChange(editing.account, fields)}
            onCancel={() => setEditing(null)}
          />
        )}
        {task === 'many' && chart && (
          <ChangeManyPanel
            shown={shown}
            branch={branchOf(chart.accounts, chosen)}
            accounts={chart.accounts}
            categoryPaths={categoryPaths}
            onLook={(file) => void drop.hand(file)}
            onCancel={() => setTask(null)}
          />
        )}
        {task === 'merge' && chosen && chart && (
          <MergePanel key={chosen.id} account={chosen} chart={chart} currency={currency} onDone={open} onCancel={() => setTask(null)} />
        )}
        {!editing && !task && chosen && chart && (
          <AccountFacts
            account={chosen}
            chart={chart}
            currency={currency}
            isBusy={actions.isBusy}
            onEdit={() => begin(startBeside(chart.accounts, chosen), chosen)}
            onAddBeside={() => beginBeside(chosen)}
            onAddBelow={() => begin(startBelow(chart.accounts, chosen))}
            onChange={(fields) => void onChange(chosen, fields)}
            onMerge={() => setTask('merge')}
            onDelete={async () => {
              if (await actions.remove(chosen)) open(null);
            }}
          />
        )}
        {!editing && !task && !chosen && (
          <p className={styles.quiet}>
            Choose an account to see what it is, what is on it and what was changed.
            {mayKeep &&
              ' On a row, Alt with an arrow key orders it among its siblings, nests it below the one above or takes it out; F2 changes it; Insert adds one beside it.'}
          </p>
        )}
      </aside>
    </div>
  );
}

/** An account just added, as a neighbour for the next one, before the chart has been read anew. */
function asNeighbour(added: AccountBody, categoryId: number | null): ChartAccountBody {
  const places = categoryId === null ? [] : [{ side: 'any' as const, categoryId }];
  return { ...added, places, depth: 0, isParent: false, amount: '0', comparative: '0', lastUsed: null, notes: [] };
}
