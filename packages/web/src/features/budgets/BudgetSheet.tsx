import type { BudgetGridBody } from '@ivory-ladder/contract';
import { evenWeights, grow, isIncomeOrExpense, type PatternUnreadable, readDecimal, readPattern, spread } from '@ivory-ladder/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useReadBudgetWorkbookMutation, useSetBudgetCellsMutation } from '../../shared/api/budgetApi.ts';
import { addressOf } from '../../shared/api/requestOf.ts';
import { copiedText } from '../../shared/components/treegrid/gridColumn.ts';
import { TreeGrid, type TreeGridHandle } from '../../shared/components/treegrid/TreeGrid.tsx';
import { typedAmount } from '../../shared/components/typedAmount.ts';
import { usePaste } from '../../shared/components/usePaste.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { useKeptColumns } from '../../shared/state/useKeptColumns.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { useUndoKeys } from '../../shared/state/useUndoKeys.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { BudgetBar } from './BudgetBar.tsx';
import styles from './BudgetsScreen.module.css';
import { type BudgetSpread, BudgetTools, steps } from './BudgetTools.tsx';
import { comparisonColumns, monthColumns } from './budgetColumns.tsx';
import { type BudgetGridRow, budgetRows, cellsToSave, hasMinorUnits, onNormalSide, resultByPeriod, withCells } from './budgetModel.ts';
import { useBudgetDraft } from './useBudgetDraft.ts';

interface BudgetSheetProps {
  readonly grid: BudgetGridBody;
  /** A value of the facet, empty for none of it, `undefined` for all parts together. */
  readonly part: string | undefined;
  readonly isWritten: boolean;
  readonly yearName: string;
}

type Cell = readonly [accountId: number, at: number, net: bigint];

const patternFaults: Readonly<Record<PatternUnreadable['reason'], string>> = {
  empty: 'The pattern is empty.',
  not_a_number: 'A pattern is made of whole numbers, such as 4 4 5.',
  count: 'The pattern does not fit into the periods of the year a whole number of times.',
  nothing: 'The pattern gives nothing to any period.',
};

/** Accounts by periods in a grid; what is typed waits, with its effect on the profit, until it is saved. */
export function BudgetSheet({ grid, part, isWritten, yearName }: BudgetSheetProps) {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const dispatch = useDispatch();
  const { span } = useSpan();
  const [params, change] = useAddress();
  const table = useRef<TreeGridHandle>(null);
  const [save, { isLoading: isSaving }] = useSetBudgetCellsMutation();
  const [readWorkbook, { isLoading: isReading }] = useReadBudgetWorkbookMutation();
  const [spreadBy, setSpreadBy] = useState<BudgetSpread>({
    kind: grid.accounts.some(({ yearBefore }) => yearBefore.length > 0) ? 'year_before' : 'even',
    pattern: '4 4 5',
    unit: steps(currency)[0]?.unit ?? 1n,
  });
  const [isChangedOnly, setChangedOnly] = useState(false);
  const { budget, periods, accounts: all } = grid;
  const typed = useBudgetDraft(`budget ${budget.id} of company ${company.id}, ${part ?? 'all'}`);
  const { draft, take, clear } = typed;
  useUndoKeys(typed.undo, typed.redo);
  const isAll = params.get('all') === '1';
  const accounts = useMemo(() => (isAll ? all : all.filter(({ element }) => isIncomeOrExpense(element))), [all, isAll]);
  const rows = useMemo(() => budgetRows(accounts, draft), [accounts, draft]);
  const withMinor = useMemo(() => hasMinorUnits(rows, currency), [rows, currency]);
  const isCompared = grid.againstName !== '';
  const [widths, keepWidths] = useKeptColumns(isCompared ? 'a budget compared' : `a budget of ${periods.length} periods`);
  const columns = useMemo(
    () =>
      isCompared
        ? comparisonColumns({ grid, rows, currency, withMinor, span, budgetName: budget.name })
        : monthColumns({ grid, rows, currency, withMinor, result: resultByPeriod(all, draft), isWritten }),
    [isCompared, grid, rows, currency, withMinor, span, budget.name, all, draft, isWritten],
  );
  const find = (params.get('find') ?? '').trim().toLowerCase();
  const isSought = useMemo(() => {
    if (find === '' && !isChangedOnly) return null;
    return ({ account, changed }: BudgetGridRow) =>
      (find === '' || account.label.toLowerCase().includes(find)) && (!isChangedOnly || (changed.size > 0 && !account.isParent));
  }, [find, isChangedOnly]);
  const say = (tone: 'done' | 'refused', text: string) => void dispatch(noticeGiven({ tone, text }));
  const set = (cells: readonly Cell[], what: string) => take((before) => withCells(before, all, cells), what);

  /** A year's amount over its periods, as it was chosen. */
  const spreadCells = ({ account }: BudgetGridRow, year: bigint): Cell[] | string => {
    const before = account.yearBefore.map(BigInt);
    const pattern = spreadBy.kind === 'pattern' ? readPattern(spreadBy.pattern, periods.length) : null;
    if (pattern && !pattern.ok) return patternFaults[pattern.failure.reason];
    const weights = pattern ? pattern.value : spreadBy.kind === 'year_before' && before.length > 0 ? before : evenWeights(periods.length);
    return spread(onNormalSide(account, year), weights, spreadBy.unit).map((net, at) => [account.id, at, net] as const);
  };
  const cellsOf = (row: BudgetGridRow, columnId: string, text: string): Cell[] | string => {
    if (row.account.isParent) return 'Amounts stand on the accounts below it.';
    const typed = typedAmount(text, currency);
    if (typed === null) return `«${text}» is no amount.`;
    if (columnId === 'year') return spreadCells(row, typed);
    return [[row.account.id, Number(columnId), onNormalSide(row.account, typed)]];
  };
  const onEdit = async (row: BudgetGridRow, columnId: string, text: string) => {
    const cells = cellsOf(row, columnId, text);
    if (typeof cells === 'string') return cells;
    set(cells, `${row.account.label}${columnId === 'year' ? ', the year' : ''}`);
    return null;
  };
  const onFillDown = (from: BudgetGridRow, below: readonly BudgetGridRow[], columnId: string) => {
    const amount = columnId === 'year' ? from.year : (from.amounts[Number(columnId)] ?? 0n);
    const cells = below.flatMap((row) => {
      if (row.account.isParent) return [];
      if (columnId !== 'year') return [[row.account.id, Number(columnId), onNormalSide(row.account, amount)] as const];
      const spreadOver = spreadCells(row, amount);
      return typeof spreadOver === 'string' ? [] : spreadOver;
    });
    set(cells, `filled down from ${from.account.label}`);
  };
  usePaste(isWritten, (text) => {
    const cell = table.current?.cell();
    const lines = text
      .replace(/\r\n?/g, '\n')
      .replace(/\n$/, '')
      .split('\n')
      .map((line) => line.split('\t'));
    if (!cell) return false;
    const keys = cell.keysFrom(lines.length);
    const byId = new Map(rows.map((row) => [row.account.id, row]));
    const cells: Cell[] = [];
    for (const [at, values] of lines.entries())
      for (const [step, value] of values.entries()) {
        const [row, columnId] = [byId.get(keys[at] ?? 0), cell.columnIds[step]];
        if (!row || columnId === undefined || columnId === 'account' || row.account.isParent || value.trim() === '') continue;
        const read = cellsOf(row, columnId, value);
        if (typeof read === 'string') {
          say('refused', `Nothing was pasted. ${row.account.label}: ${read}`);
          return true;
        }
        cells.push(...read);
      }
    if (cells.length === 0) return false;
    set(cells, `pasted ${counted(cells.length, 'amount')}`);
    say('done', `Pasted: ${counted(cells.length, 'amount')}.`);
    return true;
  });
  /** For every account that is shown, from what was posted a year before, over the periods as it was chosen. */
  const fill = (percentText: string) => {
    const percent = readDecimal(percentText === '' ? '0' : percentText);
    if (!percent) return say('refused', `«${percentText}» is no percentage.`);
    const cells: Cell[] = [];
    for (const row of rows) {
      const before = row.account.yearBefore.map(BigInt);
      if (row.account.isParent || before.length === 0 || (isSought && !isSought(row))) continue;
      const grown = grow(before, percent, spreadBy.unit);
      const year = grown.reduce((sum, net) => sum + net, 0n);
      const own =
        spreadBy.kind === 'year_before' ? grown.map((net, at) => [row.account.id, at, net] as const) : spreadCells(row, onNormalSide(row.account, year));
      if (typeof own === 'string') return say('refused', own);
      cells.push(...own);
    }
    set(cells, `filled from the year before${percentText === '' || percentText === '0' ? '' : `, ${percentText} % more`}`);
  };
  const load = async (file: File) => {
    const { data, error } = await readWorkbook({ companyId: company.id, budgetId: budget.id, file });
    if (!data) return say('refused', describeFailure(error));
    const [first] = data.faults;
    if (first) {
      const reasons = {
        account_unknown: 'is no account of this chart',
        account_takes_no_postings: 'takes no amounts: they stand on the accounts below it',
        account_twice: 'stands there twice',
        amount_unreadable: 'is no amount',
      };
      const others = data.faults.length > 1 ? ` ${counted(data.faults.length - 1, 'more row is', 'more rows are')} wrong.` : '';
      return say('refused', `Nothing was taken. Row ${first.row}: «${first.found}» ${reasons[first.code]}.${others}`);
    }
    const place = new Map(periods.map(({ number }, at) => [number, at]));
    const cells = data.cells.map(({ accountId, period, amount }) => [accountId, place.get(period) ?? 0, BigInt(amount)] as const);
    const differing = withCells(draft, all, cells).size;
    set(cells, `loaded ${file.name}`);
    setChangedOnly(differing > 0);
    say('done', differing === 0 ? `${file.name} holds what stands here.` : `${file.name}: ${counted(data.rows, 'row')} read. What differs waits to be saved.`);
  };
  const submit = async () => {
    if (draft.size === 0 || isSaving) return;
    const body = { part: part ?? '', cells: cellsToSave(grid, draft) };
    const { error } = await save({ companyId: company.id, budgetId: budget.id, body });
    if (error !== undefined) return say('refused', describeFailure(error));
    say('done', `Saved: ${counted(draft.size, 'amount')}.`);
    clear();
    setChangedOnly(false);
  };
  const latest = useRef(submit);
  useEffect(() => {
    latest.current = submit;
  });
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey) || event.shiftKey) return;
      event.preventDefault();
      void latest.current();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, []);
  return (
    <div className={styles.written}>
      <BudgetTools
        grid={grid}
        currency={currency}
        isWritten={isWritten}
        isReading={isReading}
        find={params.get('find') ?? ''}
        onFind={(text) => change({ find: text }, { replace: true })}
        isAll={isAll}
        onAll={(wanted) => change({ all: wanted ? '1' : null })}
        spreadBy={spreadBy}
        onSpreadBy={setSpreadBy}
        onFill={fill}
        onLoad={(file) => void load(file)}
        workbook={addressOf('exportBudget', { companyId: company.id, budgetId: budget.id, part })}
      />
      <TreeGrid<BudgetGridRow>
        ref={table}
        label={`Budget ${yearName}, ${budget.name}`}
        rows={rows}
        keyOf={({ account }) => account.id}
        depthOf={({ account }) => account.depth}
        columns={columns}
        choice={widths}
        onChoice={keepWidths}
        isSought={isSought}
        isFaint={({ account }) => !account.active}
        onCopied={(count) => say('done', copiedText(count))}
        {...(isWritten ? { onEdit, onFillDown } : {})}
      />
      {(typed.undoName !== null || typed.redoName !== null) && (
        <BudgetBar
          grid={grid}
          draft={draft}
          currency={currency}
          steps={typed}
          isSaving={isSaving}
          isChangedOnly={isChangedOnly}
          onChangedOnly={setChangedOnly}
          onSave={() => void submit()}
          onDiscard={() => {
            take(() => new Map(), 'discarded');
            setChangedOnly(false);
          }}
        />
      )}
    </div>
  );
}
