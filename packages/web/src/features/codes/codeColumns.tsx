import type { CodeListBody } from '@ivory-ladder/contract';
import { elements } from '@ivory-ladder/core';
import { compareTexts, type GridColumn } from '../../shared/components/treegrid/gridColumn.ts';
import styles from './CodeListsScreen.module.css';

export type ListedCodeRow = CodeListBody['codes'][number] & {
  /** Its place in the list, from 1. */
  readonly place: number;
  readonly depth: number;
};

/** The codes of a list, each before those below it. */
export function rowsOf({ codes }: CodeListBody): ListedCodeRow[] {
  const below = new Map<string | null, ListedCodeRow[]>();
  for (const [at, listed] of codes.entries()) below.set(listed.parent, [...(below.get(listed.parent) ?? []), { ...listed, place: at + 1, depth: 0 }]);
  const rows: ListedCodeRow[] = [];
  const walk = (parent: string | null, depth: number): void => {
    for (const row of below.get(parent) ?? []) {
      rows.push({ ...row, depth });
      walk(row.code, depth + 1);
    }
  };
  walk(null, 0);
  return rows;
}

export function codeColumns(list: CodeListBody): GridColumn<ListedCodeRow>[] {
  const codes = list.codes.map(({ code }) => code);
  const longest = Math.max(6, ...codes.map(({ length }) => length));
  const depth = Math.max(0, ...rowsOf(list).map((row) => row.depth));
  const text = (id: 'code' | 'caption', caption: string, width: string, maxLength: number): GridColumn<ListedCodeRow> => ({
    id,
    caption,
    width,
    cell: (row) => <span title={row[id]}>{row[id]}</span>,
    text: (row) => row[id],
    edit: { value: (row) => row[id], maxLength },
    compare: (a, b) => compareTexts(a[id], b[id]),
  });
  const meant: GridColumn<ListedCodeRow>[] = [
    {
      id: 'element',
      caption: 'For element',
      width: '88px',
      cell: ({ element }) => element ?? <span className={styles.quiet}>any</span>,
      text: ({ element }) => element ?? '',
      edit: { value: ({ element }) => element ?? '', choices: ['', ...elements] },
      compare: (a, b) => compareTexts(a.element ?? '', b.element ?? ''),
    },
    {
      id: 'side',
      caption: 'For side',
      width: '66px',
      cell: ({ side }) => side ?? <span className={styles.quiet}>any</span>,
      text: ({ side }) => side ?? '',
      edit: { value: ({ side }) => side ?? '', choices: ['', 'debit', 'credit'] },
      compare: (a, b) => compareTexts(a.side ?? '', b.side ?? ''),
    },
  ];
  const state: GridColumn<ListedCodeRow> = {
    id: 'state',
    caption: 'State',
    width: '66px',
    cell: ({ retired }) => (retired ? <span className={styles.quiet}>retired</span> : 'in use'),
    text: ({ retired }) => (retired ? 'retired' : 'in use'),
    compare: (a, b) => Number(a.retired) - Number(b.retired),
  };
  return [
    text('code', 'Code', `${Math.min(24, longest + 2 * depth) * 8 + 26}px`, 50),
    text('caption', 'Caption', 'minmax(120px, 1fr)', 200),
    ...(list.kind === 'report' ? meant : []),
    ...(list.kind === 'facet' ? [state] : []),
    {
      id: 'parent',
      caption: 'Below',
      width: '78px',
      cell: ({ parent }) => parent ?? '',
      text: ({ parent }) => parent ?? '',
      edit: { value: ({ parent }) => parent ?? '', suggestions: codes, maxLength: 50 },
    },
    {
      id: 'accounts',
      caption: 'Accounts',
      width: '72px',
      isAmount: true,
      cell: ({ accounts }) => (accounts === 0 ? '–' : accounts),
      text: ({ accounts }) => String(accounts),
      compare: (a, b) => a.accounts - b.accounts,
    },
  ];
}
