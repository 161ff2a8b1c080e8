import type { PlacementView } from '@ivory-ladder/contract';
import { type Currency, formatAmount, shortDay } from '@ivory-ladder/core';
import { compareAmounts, compareTexts, type GridColumn } from '../../shared/components/treegrid/gridColumn.ts';
import { onNaturalSide, type PlacementModel } from '../rehearsal/index.ts';
import styles from './CoverageScreen.module.css';
import type { Concern, CoverageRow } from './coverageModel.ts';
import { causeText, concernNames, findingName, whyText } from './findingText.ts';

export interface PlacedRow extends CoverageRow {
  /** Its place in what is listed, from 1. */
  readonly place: number;
}

const marks: Readonly<Record<Concern, string>> = { wrong: '✗', idle: '○', look: '▲', out: '–' };

export function coverageColumns(model: PlacementModel, currency: Currency, { span, balanceComparative }: PlacementView): GridColumn<PlacedRow>[] {
  const amount = (id: string, caption: string, net: (row: PlacedRow) => bigint): GridColumn<PlacedRow> => ({
    id,
    caption,
    width: '86px',
    isAmount: true,
    cell: (row) => formatAmount(onNaturalSide(net(row), row.account.element), currency),
    text: (row) => formatAmount(onNaturalSide(net(row), row.account.element), currency),
    compare: (a, b) => compareAmounts(onNaturalSide(net(a), a.account.element), onNaturalSide(net(b), b.account.element)),
  });
  return [
    {
      id: 'account',
      caption: 'Account',
      width: 'minmax(172px, 1.5fr)',
      cell: ({ account }) => <span title={account.label}>{account.label}</span>,
      text: ({ account }) => account.label,
      compare: (a, b) => compareTexts(a.account.label, b.account.label),
    },
    {
      id: 'finding',
      caption: 'Finding',
      width: '116px',
      cell: ({ finding, concern }) => (
        <span className={styles[concern]} title={concernNames[concern]}>
          {marks[concern]} {findingName(finding)}
        </span>
      ),
      text: ({ finding, concern }) => `${concernNames[concern]}: ${findingName(finding)}`,
      compare: (a, b) => compareTexts(findingName(a.finding), findingName(b.finding)),
    },
    {
      id: 'why',
      caption: 'Why',
      width: 'minmax(96px, 1fr)',
      cell: (row) => <span title={whyText(row, model)}>{causeText(row, model)}</span>,
      text: (row) => whyText(row, model),
    },
    amount('net', shortDay(span.lastDay), ({ net }) => net),
    amount('before', shortDay(balanceComparative), ({ before }) => before),
  ];
}
