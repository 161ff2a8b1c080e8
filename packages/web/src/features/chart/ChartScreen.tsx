import type { AccountBody, AccountChange, AccountInputBody, ChartAccountBody, SavedChartView } from '@ivory-ladder/contract';
import { accountLabel, buildCategoryTree, pathOf, writeCategoryPath } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { useGetChartQuery, useUploadChartFileMutation } from '../../shared/api/chartApi.ts';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { useGetPlacementQuery } from '../../shared/api/placementApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { copiedText } from '../../shared/components/treegrid/gridColumn.ts';
import type { TreeGridHandle } from '../../shared/components/treegrid/TreeGrid.tsx';
import { usePaste } from '../../shared/components/usePaste.ts';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useFileDrop } from '../../shared/state/useFileDrop.tsx';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { LedgerTabs } from '../ledger/index.ts';
import { chartNumbers } from '../placement/index.ts';
import { ChartFilters } from './ChartFilters.tsx';
import { ChartPanel, type ChartTask } from './ChartPanel.tsx';
import styles from './ChartScreen.module.css';
import { ChartTable } from './ChartTable.tsx';
import { ChartTools } from './ChartTools.tsx';
import { listCategories, withAllBelow } from './categoryList.ts';
import { useChartAddress } from './chartAddress.ts';
import { chartDrag } from './chartDrag.ts';
import { chartSearch, searchTexts } from './chartFilter.ts';
import { amountsText, chartGridColumns } from './chartGridColumns.tsx';
import { type Move, type NewAccountStart, startBeside, stepOf, withAdded } from './chartModel.ts';
import { numberSought } from './numberSought.ts';
import { isOneCell, pastedChart, pastedOver } from './pastedChart.ts';
import { useCellEdits } from './useCellEdits.ts';
import { useChartActions } from './useChartActions.ts';
import { useChosenColumns } from './useChosenColumns.ts';

const steps: Readonly<Record<string, 'up' | 'down' | 'in' | 'out'>> = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'in', ArrowLeft: 'out' };
const noAccounts: readonly ChartAccountBody[] = [];
const noCategories: never[] = [];
const noLists: never[] = [];
/** Far more than are added before the chart has been read anew. */
const mostRemembered = 50;

/** The chart of accounts: find, add, change, nest and order accounts; Alt and an arrow moves the row that the keyboard stands on. */
export function ChartScreen() {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const { span } = useSpan();
  const [address, set] = useChartAddress();
  const [choice, choose] = useChosenColumns();
  const { data: chart, error, isFetching } = useGetChartQuery({ companyId: company.id, ...span });
  const { data: placement } = useGetPlacementQuery({ companyId: company.id, ...span });
  const [upload, { isLoading: isUploading }] = useUploadChartFileMutation();
  const drop = useFileDrop({ label: 'Chart file', upload, isUploading, readAt: (fileId) => `ledger/chart/file/${fileId}` });
  const mayKeep = useMay('keep_chart');
  const [task, setTask] = useState<ChartTask | null>(null);
  const table = useRef<TreeGridHandle>(null);
  const followed = useRef<number | null>(address.accountId);
  const justAdded = useRef<readonly { account: ChartAccountBody; after: number | null }[]>([]);
  const accounts = chart?.accounts ?? noAccounts;
  const actions = useChartActions(accounts);
  const since = address.since || chart?.span.firstDay || '';
  const tree = useMemo(() => buildCategoryTree(placement?.categories ?? noCategories), [placement]);
  const categories = useMemo(() => listCategories(tree).map((node) => ({ ...node.category, path: writeCategoryPath(pathOf(node)) })), [tree]);
  const paths = useMemo(() => [...new Set(categories.map(({ path }) => path))], [categories]);
  const categoryIds = useMemo(() => {
    const top = address.categoryId === null ? undefined : tree.nodes.get(address.categoryId);
    return top ? new Set(withAllBelow([top]).map(({ category }) => category.id)) : null;
  }, [tree, address.categoryId]);
  const texts = useMemo(() => searchTexts(accounts), [accounts]);
  const { find, show, element } = address;
  const known = useMemo(() => chartNumbers(accounts.map(({ number }) => number)), [accounts]);
  const byNumber = useMemo(() => numberSought(find, accounts, known, company.digitOrder), [find, accounts, known, company.digitOrder]);
  const isSought = useMemo(
    () => chartSearch(texts, { find, numbers: byNumber, show, element, categoryIds, since }),
    [texts, find, byNumber, show, element, categoryIds, since],
  );
  const { data: codeLists } = useListCodeListsQuery({ companyId: company.id });
  const lists = codeLists?.lists ?? noLists;
  const columns = useMemo(
    () => (chart ? chartGridColumns(chart, currency, paths, company.numbered, lists) : []),
    [chart, currency, paths, company.numbered, lists],
  );
  const chosen = accounts.find(({ id }) => id === address.accountId) ?? null;
  useEffect(() => {
    if (!chart || isFetching || followed.current === null) return;
    table.current?.showRow(followed.current);
    followed.current = null;
  }, [chart, isFetching]);
  const open = (id: number | null) => {
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
  const beginForm = (start: NewAccountStart, account: ChartAccountBody | null = null) =>
    setTask((before) => ({ kind: 'form', start, account, count: (before?.kind === 'form' ? before.count : 0) + 1 }));
  const beginBeside = (account: ChartAccountBody | null) => beginForm(startBeside(accounts, account));
  const onAdd = async (body: AccountInputBody, isAnother: boolean) => {
    const added = await actions.add(body);
    if (!added) return;
    set({ account: String(added.id) });
    if (!isAnother) {
      followed.current = added.id;
      return setTask(null);
    }
    const beside = asNeighbour(added, body.categoryId ?? null);
    justAdded.current = [...justAdded.current, { account: beside, after: body.after ?? null }].slice(-mostRemembered);
    beginForm(startBeside(withAdded(accounts, justAdded.current), beside));
  };
  const onChange = async (account: ChartAccountBody, fields: AccountChange, said?: string) => {
    if (!(await actions.change(account, fields, said))) return;
    setTask(null);
    followed.current ??= account.id;
  };
  const onMove = (account: ChartAccountBody, move: Move) => {
    followed.current = account.id;
    void onChange(account, { version: account.version, ...move }, `Moved: ${accountLabel(account)}.`);
  };
  const onRowKey = (event: KeyboardEvent, account: ChartAccountBody, isFlat: boolean): boolean => {
    if (!mayKeep) return false;
    const step = event.altKey ? steps[event.key] : undefined;
    if (step !== undefined && isFlat) actions.say('refused', drag.flatReason);
    else if (step !== undefined) {
      const move = stepOf(accounts, account, step);
      if (move) onMove(account, move);
    } else if (event.key === 'Insert') beginBeside(account);
    else if (event.key === 'F2') {
      set({ account: String(account.id) });
      beginForm(startBeside(accounts, account), account);
    } else return false;
    return true;
  };
  const onView = (view: SavedChartView | null) => {
    const { columns: shownColumns, ...sought } = view?.content ?? { columns: [], order: '', find: '', show: '', element: '', category: '', since: '' };
    // A view saved with the table's own columns brings these back too; all accounts are shown in the columns one has.
    if (view !== null) choose(shownColumns);
    set({ ...sought, view: view === null ? '' : String(view.id) });
  };
  const look = (file: File) => void drop.hand(file);
  const edits = useCellEdits({ categories, lists, actions, onLook: look });
  const drag = chartDrag(accounts, onMove);
  usePaste(mayKeep, (text) => {
    const cell = table.current?.cell() ?? null;
    if (cell && isOneCell(text)) return table.current?.editWith(text.trim()) ?? false;
    const content =
      (cell && pastedOver(text, cell.columnIds, (count) => cell.keysFrom(count).flatMap((key) => accounts.find(({ id }) => id === key) ?? []), lists)) ??
      pastedChart(text, company.numbered);
    if (content === null) return false;
    look(new File([content], 'pasted.tsv', { type: 'text/tab-separated-values' }));
    return true;
  });
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
          </div>
          <ChartTools
            columns={columns}
            choice={choice}
            onChoice={choose}
            content={{
              columns: [...choice],
              order: address.order,
              find,
              show: show === 'all' ? '' : show,
              element,
              category: String(address.categoryId ?? ''),
              since: address.since,
            }}
            viewId={address.viewId}
            onView={onView}
            onLoad={mayKeep ? drop.choose : null}
            onRenumber={() => setTask({ kind: 'renumber' })}
            onChangeMany={() => setTask({ kind: 'many' })}
            onAdd={() => beginBeside(chosen)}
          />
          {drop.input}
        </header>
        {accounts.length > 0 && (
          <ChartFilters
            address={address}
            numbers={byNumber}
            since={since}
            categories={categories}
            lists={lists}
            onChange={set}
            onDown={() => table.current?.focus()}
          />
        )}
        {chart && <p className={styles.amounts}>{amountsText(chart)}</p>}
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
            columns={columns}
            choice={choice}
            onChoice={choose}
            order={address.order}
            onOrder={(order) => set({ order }, true)}
            isSought={isSought}
            chosen={chosen?.id ?? 0}
            onOpen={({ id }) => open(id)}
            onCopied={(rows) => actions.say('done', copiedText(rows))}
            edits={mayKeep ? edits : null}
            drag={mayKeep ? drag : null}
            onRowKey={onRowKey}
          />
        )}
      </section>
      <ChartPanel
        chart={chart}
        categories={placement?.categories ?? noCategories}
        categoryPaths={paths}
        lists={lists}
        currency={currency}
        chosen={chosen}
        blockNow={() => {
          const keys = new Set(table.current?.block() ?? []);
          return accounts.filter(({ id }) => keys.has(id));
        }}
        shownNow={() => (isSought === null ? accounts : accounts.filter(isSought))}
        task={task}
        actions={actions}
        onTask={(next) => {
          setTask(next);
          if (next === null) table.current?.focus();
        }}
        onForm={beginForm}
        onOpen={open}
        onStep={stepTo}
        onAdd={(body, isAnother) => void onAdd(body, isAnother)}
        onChange={(account, fields) => void onChange(account, fields)}
        onMove={onMove}
        onLook={look}
      />
    </div>
  );
}

/** An account just added, as a neighbour for the next one, before the chart has been read anew. */
function asNeighbour(added: AccountBody, categoryId: number | null): ChartAccountBody {
  const places = categoryId === null ? [] : [{ side: 'any' as const, categoryId }];
  return {
    ...added,
    label: accountLabel(added),
    places,
    placesByRange: [],
    doubledIn: [],
    oddIn: [],
    depth: 0,
    isParent: false,
    amount: '0',
    comparative: '0',
    lastUsed: null,
    notes: [],
  };
}
