import type { BudgetGridBody } from '@ivory-ladder/contract';
import { type Currency, dayParts, formatPercent, isIncomeOrExpense, monthName, percentChange, spanText, toDecimalText } from '@ivory-ladder/core';
import type { GridColumn } from '../../shared/components/treegrid/gridColumn.ts';
import styles from './BudgetsScreen.module.css';
import { type BudgetGridRow, shownAmount } from './budgetModel.ts';

interface ColumnFacts {
  readonly grid: BudgetGridBody;
  readonly rows: readonly BudgetGridRow[];
  readonly currency: Currency;
  readonly withMinor: boolean;
}

const account: GridColumn<BudgetGridRow> = {
  id: 'account',
  caption: 'Account',
  width: 'minmax(124px, 1fr)',
  cell: ({ account: { label } }) => (
    <span className={styles.name} title={label}>
      {label}
    </span>
  ),
  text: ({ account: { label } }) => label,
};

/** As wide as the longest amount in it needs. */
function widthOf(texts: readonly string[], least: number): string {
  const longest = Math.max(0, ...texts.map(({ length }) => length));
  return `${Math.max(least, Math.ceil(2 + 6.9 * longest))}px`;
}

const widest = (rows: readonly BudgetGridRow[]) => rows.flatMap(({ amounts }) => amounts).reduce((most, one) => (size(one) > size(most) ? one : most), 0n);
const size = (amount: bigint) => (amount < 0n ? -amount * 10n : amount);

/** An amount of each period, and the year. */
export function monthColumns({
  grid,
  rows,
  currency,
  withMinor,
  result,
  isWritten,
}: ColumnFacts & { readonly result: readonly bigint[]; readonly isWritten: boolean }): GridColumn<BudgetGridRow>[] {
  const shown = (amount: bigint) => shownAmount(amount, currency, withMinor);
  const edit = (amountOf: (row: BudgetGridRow) => bigint) =>
    isWritten ? { edit: { value: (row: BudgetGridRow) => (amountOf(row) === 0n ? '' : shown(amountOf(row))) } } : {};
  const whole = result.reduce((sum, amount) => sum + amount, 0n);
  const monthWidth = widthOf([shown(widest(rows)), ...result.map(shown)], 52);
  return [
    { ...account, total: <strong>Profit</strong> },
    ...grid.periods.map(({ firstDay }, at): GridColumn<BudgetGridRow> => {
      const amountOf = ({ amounts }: BudgetGridRow) => amounts[at] ?? 0n;
      return {
        id: String(at),
        caption: monthName(dayParts(firstDay).month),
        width: monthWidth,
        isAmount: true,
        cell: (row) => <span className={row.changed.has(at) ? styles.changed : undefined}>{shown(amountOf(row))}</span>,
        text: (row) => toDecimalText(amountOf(row), currency),
        total: shown(result[at] ?? 0n),
        ...edit(amountOf),
      };
    }),
    {
      id: 'year',
      caption: 'Year',
      width: widthOf([shown(whole), ...rows.map(({ year }) => shown(year))], 72),
      isAmount: true,
      cell: ({ year, changed }) => <strong className={changed.size > 0 ? styles.changed : undefined}>{shown(year)}</strong>,
      text: ({ year }) => toDecimalText(year, currency),
      total: <strong>{shown(whole)}</strong>,
      ...edit(({ year }) => year),
    },
  ];
}

/** The budget beside the other side, in the periods of the year that lie within the chosen span; in all of them where none does. */
export function comparisonColumns({
  grid,
  currency,
  withMinor,
  span,
  budgetName,
}: ColumnFacts & { readonly span: { readonly from: string; readonly to: string }; readonly budgetName: string }): GridColumn<BudgetGridRow>[] {
  const shown = (amount: bigint) => shownAmount(amount, currency, withMinor);
  const within = grid.periods.map(({ firstDay, lastDay }) => span.from <= firstDay && lastDay <= span.to);
  const counts = (at: number) => within[at] === true || !within.includes(true);
  const chosen = grid.periods.filter((_, at) => counts(at));
  const days = chosen.length === 0 ? '' : spanText((chosen[0] as { firstDay: string }).firstDay, (chosen.at(-1) as { lastDay: string }).lastDay);
  const sum = (amounts: readonly bigint[]) => amounts.reduce((total, amount, at) => (counts(at) ? total + amount : total), 0n);
  const [own, other] = [({ amounts }: BudgetGridRow) => sum(amounts), ({ against }: BudgetGridRow) => sum(against)];
  const results = grid.accounts.filter(({ element }) => isIncomeOrExpense(element));
  const [ownProfit, otherProfit] = (['amounts', 'against'] as const).map((side) => results.reduce((total, one) => total - sum(one[side].map(BigInt)), 0n)) as [
    bigint,
    bigint,
  ];
  const amount = (id: string, caption: string, amountOf: (row: BudgetGridRow) => bigint, profit: bigint): GridColumn<BudgetGridRow> => ({
    id,
    caption,
    width: '150px',
    isAmount: true,
    cell: (row) => shown(amountOf(row)),
    text: (row) => toDecimalText(amountOf(row), currency),
    total: shown(profit),
    compare: (a, b) => (amountOf(a) < amountOf(b) ? -1 : amountOf(a) > amountOf(b) ? 1 : 0),
  });
  const percentOf = (row: BudgetGridRow) => percentChange(other(row), own(row));
  return [
    { ...account, caption: `Account, ${days}`, total: <strong>Profit</strong> },
    amount('own', budgetName, own, ownProfit),
    amount('other', grid.againstName, other, otherProfit),
    amount('difference', `${grid.againstName} less ${budgetName}`, (row) => other(row) - own(row), otherProfit - ownProfit),
    {
      id: 'percent',
      caption: '%',
      width: '72px',
      isAmount: true,
      cell: (row) => formatPercent(percentOf(row)),
      text: (row) => formatPercent(percentOf(row)),
      total: formatPercent(percentChange(otherProfit, ownProfit)),
    },
  ];
}
