import type { ChartAccountBody, ChartView, CodeListBody } from '@ivory-ladder/contract';
import { type Currency, oddityOf, shortDay, spanLines, toDecimalText, writeCategoryPath } from '@ivory-ladder/core';
import { isAgainst } from '../../shared/api/isAgainst.ts';
import { standsIn } from '../../shared/api/standsIn.ts';
import { BalanceAmount } from '../../shared/components/BalanceAmount.tsx';
import { compareAmounts, compareTexts, type GridColumn } from '../../shared/components/treegrid/gridColumn.ts';
import { accountRoleNames } from '../../shared/words/accountRoleWords.ts';
import styles from './ChartScreen.module.css';
import { branchTotals, elementText, placeText } from './chartModel.ts';

/** Columns of the chart; the extra ones are there for who chooses them. `categoryPaths` are proposed where a category is typed. */
export function chartGridColumns(
  chart: ChartView,
  currency: Currency,
  categoryPaths: readonly string[],
  numbered: boolean,
  lists: readonly CodeListBody[],
): GridColumn<ChartAccountBody>[] {
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
    cell: (account) => {
      const net = amountOf(account, id);
      return <BalanceAmount net={net} currency={currency} isAgainst={!account.isParent && isAgainst(account, net)} />;
    },
    text: (account) => toDecimalText(amountOf(account, id), currency),
    compare: (a, b) => compareAmounts(amountOf(a, id), amountOf(b, id)),
  });
  const columns: GridColumn<ChartAccountBody>[] = [
    {
      id: 'number',
      caption: 'Number',
      width: `${Math.min(20, longest) * 8 + 22}px`,
      cell: ({ number }) => number,
      text: ({ number }) => number,
      edit: { value: ({ number }) => number, maxLength: 50 },
      compare: (a, b) => (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0),
    },
    {
      id: 'name',
      caption: 'Name',
      width: 'minmax(130px, 1.4fr)',
      cell: ({ name, active }) => <span title={name}>{active ? name : `${name}, inactive`}</span>,
      text: ({ name }) => name,
      edit: { value: ({ name }) => name, maxLength: 200 },
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
      width: 'minmax(90px, 1fr)',
      cell: (account) => {
        const text = placeText(account, paths);
        const stands = standsIn(account);
        const path = stands.length === 1 ? (paths[String(stands[0]?.categoryId)] ?? []) : [];
        if (text === '') return <span className={account.isParent ? styles.quiet : styles.unplaced}>{account.isParent ? '–' : 'none'}</span>;
        if (account.doubledIn.length > 0)
          return (
            <span className={styles.unplaced} title={text}>
              doubled
            </span>
          );
        return <span title={account.placesByRange.length > 0 ? `${text}, by range` : text}>{path.length > 1 ? `… › ${path.at(-1)}` : text}</span>;
      },
      text: (account) => placeText(account, paths),
      edit: { value: (account) => writeCategoryPath(paths[String(standsIn(account)[0]?.categoryId)] ?? []), suggestions: categoryPaths },
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
    {
      id: 'side',
      caption: 'Normal side',
      width: '84px',
      isExtra: true,
      cell: ({ normalSide }) => normalSide,
      text: ({ normalSide }) => normalSide,
      edit: { value: ({ normalSide }) => normalSide, choices: ['debit', 'credit'] },
      compare: (a, b) => compareTexts(a.normalSide, b.normalSide),
    },
    {
      id: 'role',
      caption: 'Role',
      width: '112px',
      isExtra: true,
      cell: ({ role }) => (role === null ? '' : accountRoleNames[role]),
      text: ({ role }) => (role === null ? '' : accountRoleNames[role]),
      compare: (a, b) => compareTexts(a.role ?? '', b.role ?? ''),
    },
    ...lists.map(codeColumn),
    textColumn('externalNumber', 'External number', '116px', 50),
    textColumn('purpose', 'Purpose', 'minmax(120px, 1fr)', 2000),
    {
      id: 'notes',
      caption: 'Notes',
      width: 'minmax(100px, 0.8fr)',
      isExtra: true,
      cell: ({ notes: [newest] }) => <span title={newest}>{newest}</span>,
      text: ({ notes }) => notes.join(' · '),
      compare: (a, b) => b.notes.length - a.notes.length,
    },
  ];
  return numbered ? columns : columns.slice(1);
}

/** The account's code from a list; one that is meant for other accounts is marked. */
function codeColumn({ key, name, codes }: CodeListBody): GridColumn<ChartAccountBody> {
  const byCode = new Map(codes.map((listed) => [listed.code, listed]));
  return {
    id: key,
    caption: name,
    width: '108px',
    isExtra: true,
    cell: (account) => {
      const listed = byCode.get(account.codes[key] ?? '');
      if (!listed) return '';
      const oddity = oddityOf(listed, account);
      const meant = oddity === 'element' ? `meant for ${listed.element}` : `meant for accounts in ${listed.side}`;
      return (
        <span className={oddity === null ? undefined : styles.unplaced} title={[listed.caption, oddity === null ? '' : meant].filter(Boolean).join('; ')}>
          {oddity !== null && '▲ '}
          {listed.code}
        </span>
      );
    },
    text: ({ codes: own }) => own[key] ?? '',
    edit: { value: ({ codes: own }) => own[key] ?? '', suggestions: codes.map(({ code }) => code), maxLength: 50 },
    compare: (a, b) => compareTexts(a.codes[key] ?? '', b.codes[key] ?? ''),
  };
}

function textColumn(id: 'externalNumber' | 'purpose', caption: string, width: string, maxLength: number): GridColumn<ChartAccountBody> {
  const text = (account: ChartAccountBody) => account[id];
  return {
    id,
    caption,
    width,
    isExtra: true,
    cell: (account) => <span title={text(account)}>{text(account)}</span>,
    text,
    edit: { value: text, maxLength },
    compare: (a, b) => compareTexts(text(a), text(b)),
  };
}

/** What the two columns of amounts hold, for the head of the screen. */
export function amountsText({ span, balanceComparative }: ChartView): string {
  return `Balances at ${shortDay(span.lastDay)} and ${shortDay(balanceComparative)}, income and expense over the span; debit positive, parents with all below`;
}
