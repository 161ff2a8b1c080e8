import type { EntryList } from '@ivory-ladder/contract';
import { type Currency, formatAmount, shortDay, toDecimalText } from '@ivory-ladder/core';
import { compareAmounts, compareTexts, type GridColumn } from '../../shared/components/treegrid/gridColumn.ts';
import styles from './EntriesScreen.module.css';

export type ListedEntry = EntryList['entries'][number];

/** Columns of the list of entries. */
export function entryColumns(currency: Currency): GridColumn<ListedEntry>[] {
  return [
    {
      id: 'date',
      caption: 'Date',
      width: '96px',
      cell: ({ date }) => shortDay(date),
      text: ({ date }) => date,
      compare: (a, b) => compareTexts(a.date, b.date),
    },
    {
      id: 'document',
      caption: 'Document',
      width: '84px',
      cell: ({ documentNumber }) => documentNumber,
      text: ({ documentNumber }) => documentNumber,
      compare: (a, b) => compareTexts(a.documentNumber, b.documentNumber),
    },
    {
      id: 'description',
      caption: 'Text',
      width: 'minmax(140px, 1fr)',
      cell: ({ description, about, isReversed, layer, closesYear }) => (
        <span title={description || about}>
          {layer === 'adjustment' && <span className={styles.adjustment}>adjustment · </span>}
          {closesYear !== null && `closes ${closesYear} · `}
          {description === '' ? <span className={styles.quiet}>{about}</span> : description}
          {isReversed && (description === '' && about === '' ? 'reversed' : ', reversed')}
        </span>
      ),
      text: ({ description, about }) => description || about,
      compare: (a, b) => compareTexts(a.description || a.about, b.description || b.about),
    },
    {
      id: 'lines',
      caption: 'Lines',
      width: '52px',
      isAmount: true,
      cell: ({ lines }) => lines,
      text: ({ lines }) => String(lines),
      compare: (a, b) => a.lines - b.lines,
    },
    {
      id: 'amount',
      caption: 'Amount',
      width: '112px',
      isAmount: true,
      cell: ({ amount }) => formatAmount(BigInt(amount), currency),
      text: ({ amount }) => toDecimalText(BigInt(amount), currency),
      compare: (a, b) => compareAmounts(a.amount, b.amount),
    },
    {
      id: 'by',
      caption: 'Posted by',
      width: '92px',
      cell: ({ postedBy }) => postedBy,
      text: ({ postedBy }) => postedBy,
      compare: (a, b) => compareTexts(a.postedBy, b.postedBy),
    },
  ];
}
