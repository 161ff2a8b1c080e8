import type { StatementBody } from '@ivory-ladder/contract';
import { type Currency, captionWords, differenceText, type FigureNature, formatInColumn, usualNature } from '@ivory-ladder/core';
import AddComment from '@mui/icons-material/AddCommentOutlined';
import { type CSSProperties, Fragment, type KeyboardEvent, memo, type ReactNode, type RefObject, useMemo } from 'react';
import { isTyping } from '../../shared/components/isTyping.ts';
import { commandOf } from '../../shared/components/treegrid/gridKeys.ts';
import { formulaFaultText } from '../../shared/words/formulaFaultText.ts';
import type { CellAddress } from '../evidence/index.ts';
import { ColumnHeading } from './ColumnHeading.tsx';
import { RowsInSight } from './RowsInSight.tsx';
import styles from './StatementTable.module.css';
import { StatementTransfers } from './StatementTransfers.tsx';

type Row = StatementBody['rows'][number];
type Column = StatementBody['columns'][number];

/** Comments on lines: the letter that each has, and where one is written. */
export interface RowComments {
  readonly markOf: (lineKey: string) => string | undefined;
  /** `undefined` where nobody may write one. */
  readonly onComment: ((lineKey: string) => void) | undefined;
  /** Stands under the row of a line. */
  readonly writtenAt: string | null;
  readonly writing: ReactNode;
}

interface StatementTableProps {
  readonly statement: StatementBody;
  readonly cell: CellAddress | null;
  /** A line whose rows are told from the others. */
  readonly chosenLine?: string | null;
  readonly comments?: RowComments;
  /** What it is scrolled in: then of many rows those alone are drawn that are in sight, or on paper. */
  readonly scroller?: RefObject<HTMLElement | null>;
  readonly onToggle: (key: string, isOpen: boolean) => void;
  readonly onOpenCell: (cell: CellAddress) => void;
}

/** Rows that are drawn whether or not they are in sight. */
const mostDrawn = 120;

/** More columns than a span, its comparative, change and percent. */
export function isWide({ columns }: Pick<StatementBody, 'columns'>): boolean {
  return columns.length > 4;
}

/** The statement as accounts are printed. Arrow keys walk the figures; Enter opens one, or opens and closes a line. */
export function StatementTable({ statement, cell, chosenLine = null, comments, scroller, onToggle, onOpenCell }: StatementTableProps) {
  const currency = useMemo((): Currency => ({ code: statement.currency, exponent: statement.exponent }), [statement.currency, statement.exponent]);
  const onKeyDown = (event: KeyboardEvent) => {
    const cell = (event.target as HTMLElement).closest<HTMLTableCellElement>('th, td');
    const row = cell?.parentElement;
    // A comment is written in a row of the table; its keys are its own.
    if (!cell || !row || isTyping(event)) return;
    const controlIn = (one: Element | null | undefined): HTMLElement | null => one?.querySelector('button') ?? null;
    const body = row.parentElement;
    const column = (): HTMLElement[] => [...(body?.children ?? [])].flatMap((one) => controlIn(one.children[cell.cellIndex]) ?? []);
    const inRow = [...row.children].flatMap((one) => controlIn(one) ?? []);
    const walked = column();
    const here = controlIn(cell) as HTMLElement;
    const facts = { place: walked.indexOf(here), count: walked.length, column: inRow.indexOf(here), columns: inRow.length };
    const command = commandOf(event, { ...facts, edit: undefined, isShut: null, parent: null });
    const target = command?.kind === 'to_row' ? walked[command.place] : command?.kind === 'to_column' && command.column !== null ? inRow[command.column] : null;
    if (!target) return;
    event.preventDefault();
    target.focus();
    const isEnd = event.key === 'End';
    if (command?.kind !== 'to_row' || !(isEnd || event.key === 'Home') || !scroller?.current) return;
    // Of many rows the first and the last are drawn once they are in sight.
    scroller.current.scrollTo({ top: isEnd ? scroller.current.scrollHeight : 0 });
    const atEnd = () => column().at(isEnd ? -1 : 0);
    requestAnimationFrame(() => requestAnimationFrame(() => atEnd()?.focus()));
  };
  const columns = useMemo(() => withGaps(statement.columns), [statement.columns]);
  const hasNotes = statement.rows.some(({ note }) => note !== undefined);
  const tableRow = (row: Row): ReactNode => {
    const isCommented = comments !== undefined && row.accountId === null && !['heading', 'text', 'space'].includes(row.role);
    return (
      <Fragment key={`${row.key}.${row.role}`}>
        <StatementRow
          row={row}
          hasNotes={hasNotes}
          columns={columns}
          currency={currency}
          isChosen={row.lineKey === chosenLine}
          usual={usualNature(statement.kind)}
          chosen={cell !== null && row.role !== 'heading' && cell.line === row.lineKey && cell.account === row.accountId ? cell.column : null}
          mark={isCommented ? comments.markOf(row.lineKey) : undefined}
          onComment={isCommented ? comments.onComment : undefined}
          onToggle={onToggle}
          onOpenCell={onOpenCell}
        />
        {isCommented && comments.writtenAt === row.lineKey && (
          <tr>
            <td colSpan={statement.columns.length + (hasNotes ? 2 : 1)}>{comments.writing}</td>
          </tr>
        )}
      </Fragment>
    );
  };
  return (
    <table
      className={styles.table}
      data-wide={isWide(statement) || undefined}
      style={{ '--columns': statement.columns.length } as CSSProperties}
      role="treegrid"
      aria-label={statement.title}
      aria-rowcount={statement.rows.length + 1}
    >
      <thead>
        {statement.columns.some(({ group }) => group !== undefined) && (
          <tr className={styles.groups}>
            <td colSpan={hasNotes ? 2 : 1} />
            {groupsOf(statement.columns).map(({ group, span, at }) => (
              <th key={at} scope="colgroup" colSpan={span} data-named={group !== '' || undefined} data-gap={at > 0 || undefined}>
                {group}
              </th>
            ))}
          </tr>
        )}
        <tr>
          <th scope="col">
            <span className="unseen">Line</span>
          </th>
          {hasNotes && (
            <th scope="col" className={styles.note}>
              {captionWords[statement.language].note}
            </th>
          )}
          {columns.map(({ column, gap, place }) => (
            <th
              key={place}
              scope="col"
              data-kind={column.kind}
              data-gap={gap}
              data-width={column.width}
              data-given={column.heading !== undefined || undefined}
              title={differenceText(column, statement.columns, statement.language)}
            >
              <ColumnHeading column={column} statement={statement} />
            </th>
          ))}
        </tr>
      </thead>
      <tbody onKeyDown={onKeyDown}>
        {scroller && statement.rows.length > mostDrawn ? (
          <RowsInSight rows={statement.rows} chosenLine={chosenLine} scroller={scroller} row={tableRow} />
        ) : (
          statement.rows.map(tableRow)
        )}
      </tbody>
      {statement.transfers.length > 0 && <StatementTransfers statement={statement} lead={hasNotes ? 2 : 1} />}
    </table>
  );
}

/** A column, and whether it begins another group than the one before it. */
interface GappedColumn {
  readonly column: Column;
  readonly gap: true | undefined;
  readonly place: string;
}

function withGaps(columns: readonly Column[]): GappedColumn[] {
  return columns.map((column, at) => ({
    column,
    gap: (at > 0 && column.group !== undefined && columns[at - 1]?.group !== column.group) || undefined,
    place: String(at),
  }));
}

/** Columns beside each other under one word, or none. */
function groupsOf(columns: readonly Column[]): { readonly group: string; readonly span: number; readonly at: number }[] {
  const groups: { group: string; span: number; at: number }[] = [];
  for (const [at, { group = '' }] of columns.entries()) {
    const last = groups.at(-1);
    if (last?.group === group) last.span++;
    else groups.push({ group, span: 1, at });
  }
  return groups;
}

interface RowProps {
  readonly row: Row;
  readonly hasNotes: boolean;
  readonly columns: readonly GappedColumn[];
  readonly currency: Currency;
  /** What figures are where their row says nothing. */
  readonly usual: FigureNature;
  readonly chosen: number | null;
  readonly isChosen: boolean;
  readonly mark: string | undefined;
  readonly onComment: ((lineKey: string) => void) | undefined;
  readonly onToggle: StatementTableProps['onToggle'];
  readonly onOpenCell: StatementTableProps['onOpenCell'];
}

const StatementRow = memo(function StatementRow({
  row,
  hasNotes,
  columns,
  currency,
  usual,
  chosen,
  isChosen,
  mark,
  onComment,
  onToggle,
  onOpenCell,
}: RowProps) {
  const { role, caption, depth, opens, open, values, unit, faults, look, note, better: nature = usual } = row;
  return (
    <tr
      className={styles[role]}
      data-row
      data-line-key={row.lineKey}
      data-weight={look && look.weight !== 'usual' ? look.weight : undefined}
      data-space={look?.spaceBefore || undefined}
      data-break={look?.breakBefore || undefined}
      data-chosen={isChosen || undefined}
      aria-level={depth + 1}
      {...(opens ? { 'aria-expanded': open } : {})}
    >
      <th scope="row" style={{ paddingLeft: `calc(6px + ${depth + (look?.indent ?? 0)} * var(--statement-indent, 18px))` }}>
        {opens ? (
          <button type="button" className={styles.opener} onClick={() => onToggle(row.lineKey, open)}>
            <span aria-hidden className={styles.mark}>
              {open ? '▾' : '▸'}
            </span>
            {caption}
          </button>
        ) : (
          caption
        )}
        {onComment ? (
          <button
            type="button"
            className={styles.comment}
            data-mark={mark !== undefined || undefined}
            aria-label={mark === undefined ? `Comment on ${caption}` : `Comment ${mark} on ${caption}`}
            title={mark === undefined ? 'Comment on the line' : 'Change the comment'}
            onClick={() => onComment(row.lineKey)}
          >
            {mark ?? <AddComment fontSize="inherit" />}
          </button>
        ) : (
          mark !== undefined && <sup className={styles.commentMark}>{mark}</sup>
        )}
      </th>
      {hasNotes && <td className={styles.note}>{note}</td>}
      {columns.map(({ column, gap, place }, columnAt) => {
        const value = values[columnAt] ?? null;
        if (role === 'heading' || role === 'text' || role === 'space') return <td key={place} data-kind={column.kind} data-gap={gap} />;
        if (column.kind === 'amount')
          return (
            <td key={place} data-gap={gap}>
              <button
                type="button"
                className={styles.amount}
                tabIndex={columnAt === 0 ? 0 : -1}
                aria-pressed={chosen === columnAt}
                title={faults?.[columnAt] ? formulaFaultText(faults[columnAt]) : undefined}
                onClick={() => onOpenCell({ line: row.lineKey, column: columnAt, account: row.accountId })}
              >
                {formatInColumn(column, value, unit, currency)}
              </button>
            </td>
          );
        if (column.kind === 'text') return <td key={place} data-kind={column.kind} />;
        const better = nature !== 'neither' && value !== null && value !== '0' ? toneOf(nature, value) : undefined;
        return (
          <td key={place} className={column.kind === 'change' ? better : undefined} data-kind={column.kind}>
            {formatInColumn(column, value, unit, currency)}
          </td>
        );
      })}
    </tr>
  );
});

function toneOf(nature: Exclude<FigureNature, 'neither'>, change: string): string | undefined {
  return change.startsWith('-') === (nature === 'lower') ? styles.better : styles.worse;
}
