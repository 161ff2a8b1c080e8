import type { TrialBalanceViewBody } from '@ivory-ladder/contract';
import { accountLabel, type Currency, formatAmount, toDecimalText } from '@ivory-ladder/core';
import { useMemo } from 'react';
import { counted } from '../../components/counted.ts';
import { compareAmounts, compareTexts, type GridColumn } from '../../components/treegrid/gridColumn.ts';
import { TreeGrid } from '../../components/treegrid/TreeGrid.tsx';
import styles from './TrialBalanceTable.module.css';

type Line = TrialBalanceViewBody['accounts'][number];

interface TrialBalanceTableProps {
  readonly view: TrialBalanceViewBody;
  readonly currency: Currency;
  readonly filter: string;
  readonly chosen: number;
  readonly onOpen: (accountId: number) => void;
  readonly onCopied: (rows: number) => void;
}

const amounts = ['opening', 'debit', 'credit', 'carried', 'closing'] as const;
const captions = { opening: 'Opening', debit: 'Debits', credit: 'Credits', carried: 'Carried over', closing: 'Closing' } as const;
const idOf = ({ id }: Line) => id;
const depthOf = ({ depth }: Line) => depth;

/** Every account with opening, movement and closing; opening + debits − credits + carried over = closing. */
export function TrialBalanceTable({ view, currency, filter, chosen, onOpen, onCopied }: TrialBalanceTableProps) {
  const isSought = useMemo(() => seek(view, filter), [view, filter]);
  const columns = useMemo(() => columnsOf(view, currency, isSought), [view, currency, isSought]);
  return (
    <>
      <TreeGrid
        label="Trial balance"
        rows={view.accounts}
        keyOf={idOf}
        depthOf={depthOf}
        columns={columns}
        isSought={isSought}
        chosen={chosen}
        onOpen={({ id }) => onOpen(id)}
        onCopied={onCopied}
      />
      {view.notAllotted !== '0' && (
        <p className={styles.note}>
          Profit of completed years, {formatAmount(BigInt(view.notAllotted), currency)}, is carried to no account: none is named for retained earnings.
        </p>
      )}
    </>
  );
}

function seek(view: TrialBalanceViewBody, filter: string): ((line: Line) => boolean) | null {
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return null;
  const searchable = new Map(view.accounts.map((line) => [line, accountLabel(line).toLowerCase()]));
  return (line) => words.every((word) => searchable.get(line)?.includes(word));
}

function columnsOf(view: TrialBalanceViewBody, currency: Currency, isSought: ((line: Line) => boolean) | null): GridColumn<Line>[] {
  const shown = isSought === null ? view.accounts : view.accounts.filter(isSought);
  const hasCarried = view.accounts.some((line) => line.carried !== '0');
  const place = new Map(view.accounts.map(({ id }, at) => [id, at]));
  const longest = view.accounts.reduce((length, { number }) => Math.max(length, number.length), 5);
  const columns: GridColumn<Line>[] = [
    {
      id: 'number',
      caption: 'Number',
      width: `${Math.min(18, longest) * 8 + 14}px`,
      cell: ({ number }) => <span className={styles.number}>{number}</span>,
      text: ({ number }) => number,
      compare: (a, b) => (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0),
    },
    {
      id: 'name',
      caption: 'Name',
      width: 'minmax(0, 1fr)',
      cell: ({ name }) => <span title={name}>{name}</span>,
      text: ({ name }) => name,
      compare: (a, b) => compareTexts(a.name, b.name),
      total: isSought === null ? 'Total' : `${shown.length} of ${counted(view.accounts.length, 'account')}`,
    },
    ...amounts
      .filter((amount) => amount !== 'carried' || hasCarried)
      .map(
        (amount): GridColumn<Line> => ({
          id: amount,
          caption: captions[amount],
          width: 'minmax(0, 108px)',
          isAmount: true,
          cell: (line) => formatAmount(BigInt(line[amount]), currency),
          text: (line) => toDecimalText(BigInt(line[amount]), currency),
          compare: (a, b) => compareAmounts(a[amount], b[amount]),
          total: formatAmount(
            shown.reduce((sum, line) => sum + BigInt(line[amount]), 0n),
            currency,
          ),
        }),
      ),
  ];
  // In a company of names only no account has a number.
  return view.accounts.every(({ number }) => number === '') ? columns.slice(1) : columns;
}
