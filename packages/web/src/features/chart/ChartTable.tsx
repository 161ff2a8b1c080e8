import type { ChartAccountBody, ChartView } from '@ivory-ladder/contract';
import { type Currency, formatAmount, toDecimalText } from '@ivory-ladder/core';
import { type KeyboardEvent, type Ref, useMemo } from 'react';
import { counted } from '../../components/counted.ts';
import { shortDay, spanLines } from '../../components/dates.ts';
import { compareAmounts, compareTexts, type GridColumn } from '../../components/treegrid/gridColumn.ts';
import { TreeGrid, type TreeGridHandle } from '../../components/treegrid/TreeGrid.tsx';
import styles from './ChartScreen.module.css';
import { branchTotals, elementText, placeText } from './chartModel.ts';

interface ChartTableProps {
  readonly ref: Ref<TreeGridHandle>;
  readonly chart: ChartView;
  readonly currency: Currency;
  readonly isSought: ((account: ChartAccountBody) => boolean) | null;
  readonly chosen: number;
  readonly onOpen: (account: ChartAccountBody) => void;
  readonly onCopied: (rows: number) => void;
  readonly onRowKey: (event: KeyboardEvent, account: ChartAccountBody, isFlat: boolean) => boolean;
}

const idOf = ({ id }: ChartAccountBody) => id;
const depthOf = ({ depth }: ChartAccountBody) => depth;
const isInactive = ({ active }: ChartAccountBody) => !active;
const countText = (shown: number, all: number) => (shown === all ? counted(all, 'account') : `${shown} of ${counted(all, 'account')}`);

/** Every account in the chart's own order, with what it is, where it stands and what is on it. */
export function ChartTable({ ref, chart, currency, isSought, chosen, onOpen, onCopied, onRowKey }: ChartTableProps) {
  const columns = useMemo(() => columnsOf(chart, currency), [chart, currency]);
  return (
    <TreeGrid
      ref={ref}
      label="Chart of accounts"
      rows={chart.accounts}
      keyOf={idOf}
      depthOf={depthOf}
      columns={columns}
      isSought={isSought}
      chosen={chosen}
      onOpen={onOpen}
      onCopied={onCopied}
      onRowKey={onRowKey}
      isFaint={isInactive}
      countText={countText}
    />
  );
}

function columnsOf(chart: ChartView, currency: Currency): GridColumn<ChartAccountBody>[] {
  const { accounts, paths, span, comparative } = chart;
  const place = new Map(accounts.map(({ id }, at) => [id, at]));
  const longest = accounts.reduce((length, { number, depth }) => Math.max(length, number.length + 2 * depth), 7);
  const totals = branchTotals(accounts);
  const amountOf = (account: ChartAccountBody, of: 'amount' | 'comparative') => totals.get(account.id)?.[of] ?? BigInt(account[of]);
  const amountColumn = (id: 'amount' | 'comparative', caption: string): GridColumn<ChartAccountBody> => ({
    id,
    caption,
    width: '104px',
    isAmount: true,
    cell: (account) => formatAmount(amountOf(account, id), currency),
    text: (account) => toDecimalText(amountOf(account, id), currency),
    compare: (a, b) => compareAmounts(amountOf(a, id), amountOf(b, id)),
  });
  return [
    {
      id: 'number',
      caption: 'Number',
      width: `${Math.min(20, longest) * 8 + 22}px`,
      cell: ({ number }) => number,
      text: ({ number }) => number,
      compare: (a, b) => (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0),
    },
    {
      id: 'name',
      caption: 'Name',
      width: 'minmax(0, 1.4fr)',
      cell: ({ name, active }) => <span title={name}>{active ? name : `${name}, inactive`}</span>,
      text: ({ name }) => name,
      compare: (a, b) => compareTexts(a.name, b.name),
    },
    {
      id: 'element',
      caption: 'Element',
      width: '92px',
      cell: (account) => elementText(account),
      text: (account) => elementText(account),
      compare: (a, b) => compareTexts(elementText(a), elementText(b)),
    },
    {
      id: 'category',
      caption: 'Category',
      width: 'minmax(0, 1fr)',
      cell: (account) => {
        const text = placeText(account, paths);
        const path = account.places.length === 1 ? (paths[String(account.places[0]?.categoryId)] ?? []) : [];
        if (text === '') return <span className={account.isParent ? styles.quiet : styles.unplaced}>{account.isParent ? '–' : 'none'}</span>;
        return <span title={text}>{path.length > 1 ? `… › ${path.at(-1)}` : text}</span>;
      },
      text: (account) => placeText(account, paths),
      compare: (a, b) => compareTexts(placeText(a, paths), placeText(b, paths)),
    },
    amountColumn('amount', spanLines(span.firstDay, span.lastDay).join(' ')),
    amountColumn('comparative', comparative.lastDay.slice(0, 4) === span.lastDay.slice(0, 4) ? shortDay(comparative.lastDay) : comparative.lastDay.slice(0, 4)),
    {
      id: 'used',
      caption: 'Last used',
      width: '84px',
      cell: ({ lastUsed }) => <span className={styles.quiet}>{lastUsed === null ? 'never' : shortDay(lastUsed)}</span>,
      text: ({ lastUsed }) => lastUsed ?? '',
      compare: (a, b) => compareTexts(a.lastUsed ?? '', b.lastUsed ?? ''),
    },
  ];
}

/** What the two columns of amounts hold, for the head of the screen. */
export function amountsText({ span, balanceComparative }: ChartView): string {
  return `Balances at ${shortDay(span.lastDay)} and ${shortDay(balanceComparative)}, income and expense over the span; debit positive, parents with all below`;
}
