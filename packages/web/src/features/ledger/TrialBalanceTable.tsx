import type { TrialBalanceViewBody } from '@ivory-ladder/contract';
import { accountLabel, type Currency, formatAmount, shortDay, toDecimalText } from '@ivory-ladder/core';
import { useMemo } from 'react';
import { BalanceAmount } from '../../shared/components/BalanceAmount.tsx';
import { compareAmounts, compareTexts, type GridColumn } from '../../shared/components/treegrid/gridColumn.ts';
import { TreeGrid } from '../../shared/components/treegrid/TreeGrid.tsx';
import { useAccountMenu } from '../../shared/state/useAccountMenu.ts';
import { counted } from '../../shared/words/counted.ts';
import styles from './TrialBalanceTable.module.css';

type Line = TrialBalanceViewBody['accounts'][number];

interface TrialBalanceTableProps {
  readonly view: TrialBalanceViewBody;
  readonly currency: Currency;
  readonly shows: 'movements' | 'adjusted';
  readonly isCompared: boolean;
  /** Whether accounts without amounts are shown. */
  readonly hasZero: boolean;
  readonly filter: string;
  readonly chosen: number;
  readonly onOpen: (accountId: number) => void;
  readonly onCopied: (rows: number) => void;
}

interface AmountColumn {
  readonly id: string;
  readonly caption: string;
  readonly amount: (line: Line) => bigint;
  /** Of several days: they add up to nothing in particular. */
  readonly hasNoTotal?: boolean;
}

function amountColumns(view: TrialBalanceViewBody, shows: 'movements' | 'adjusted', isCompared: boolean): AmountColumn[] {
  const plain = (id: 'opening' | 'debit' | 'credit' | 'carried' | 'closing', caption: string): AmountColumn => ({
    id,
    caption,
    amount: (line) => BigInt(line[id]),
  });
  const own: AmountColumn[] =
    shows === 'adjusted'
      ? [
          { id: 'ledger', caption: 'Ledger', amount: ({ closing, adjustments }) => BigInt(closing) - BigInt(adjustments) },
          { id: 'adjustments', caption: 'Adjustments', amount: ({ adjustments }) => BigInt(adjustments) },
          plain('closing', 'Adjusted'),
        ]
      : [
          plain('opening', 'Opening'),
          plain('debit', 'Debits'),
          plain('credit', 'Credits'),
          ...(view.accounts.some((line) => line.carried !== '0') ? [plain('carried', 'Carried over')] : []),
          plain('closing', 'Closing'),
        ];
  const { comparedTo } = view;
  if (!comparedTo || !isCompared) return own;
  const isOneDay = comparedTo.balances === comparedTo.result;
  const caption = isOneDay ? shortDay(comparedTo.balances) : 'Comparative';
  return [...own, { id: 'comparative', caption, amount: ({ comparative }) => BigInt(comparative ?? 0), hasNoTotal: !isOneDay }];
}

const idOf = ({ id }: Line) => id;
const depthOf = ({ depth }: Line) => depth;

/** Every account with opening, movement and closing, where opening + debits − credits + carried over = closing; or with the ledger, adjustments and both. */
export function TrialBalanceTable({ view, currency, shows, isCompared, hasZero, filter, chosen, onOpen, onCopied }: TrialBalanceTableProps) {
  const menuOf = useAccountMenu();
  const isSought = useMemo(() => seek(view, filter, hasZero), [view, filter, hasZero]);
  const columns = useMemo(
    () => columnsOf(view, currency, { shows, isCompared, isFiltered: filter.trim() !== '' }, isSought),
    [view, currency, shows, isCompared, isSought, filter],
  );
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
        menu={({ id }) => menuOf(id)}
      />
      {isCompared && view.comparedTo && view.comparedTo.balances !== view.comparedTo.result && (
        <p className={styles.dates}>
          Comparative: balances at {shortDay(view.comparedTo.balances)}, income and expense of the fiscal year up to {shortDay(view.comparedTo.result)}.
        </p>
      )}
      {view.notAllotted !== '0' && (
        <p className={styles.note}>
          Profit of completed years, {formatAmount(BigInt(view.notAllotted), currency)}, is carried to no account: none is named for retained earnings.
        </p>
      )}
    </>
  );
}

function hasAmount({ opening, debit, credit, closing, comparative }: Line): boolean {
  return [opening, debit, credit, closing, comparative ?? '0'].some((amount) => amount !== '0');
}

function seek(view: TrialBalanceViewBody, filter: string, hasZero: boolean): ((line: Line) => boolean) | null {
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0 && (hasZero || view.accounts.every(hasAmount))) return null;
  const searchable = new Map(view.accounts.map((line) => [line, accountLabel(line).toLowerCase()]));
  return (line) => (hasZero || hasAmount(line)) && words.every((word) => searchable.get(line)?.includes(word));
}

function columnsOf(
  view: TrialBalanceViewBody,
  currency: Currency,
  { shows, isCompared, isFiltered }: { readonly shows: 'movements' | 'adjusted'; readonly isCompared: boolean; readonly isFiltered: boolean },
  isSought: ((line: Line) => boolean) | null,
): GridColumn<Line>[] {
  const shown = isSought === null ? view.accounts : view.accounts.filter(isSought);
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
      total: !isFiltered ? 'Total' : `${shown.length} of ${counted(view.accounts.length, 'account')}`,
    },
    ...amountColumns(view, shows, isCompared).map(
      ({ id, caption, amount, hasNoTotal }): GridColumn<Line> => ({
        id,
        caption,
        width: 'minmax(0, 108px)',
        isAmount: true,
        cell: (line) => <BalanceAmount net={amount(line)} currency={currency} isAgainst={id === 'closing' && line.isAgainst} />,
        text: (line) => toDecimalText(amount(line), currency),
        compare: (a, b) => compareAmounts(String(amount(a)), String(amount(b))),
        total: hasNoTotal
          ? ''
          : formatAmount(
              shown.reduce((sum, line) => sum + amount(line), 0n),
              currency,
            ),
      }),
    ),
  ];
  // In a company of names only no account has a number.
  return view.accounts.every(({ number }) => number === '') ? columns.slice(1) : columns;
}
