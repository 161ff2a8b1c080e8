import type { StatementBody } from '@ivory-ladder/contract';
import { type CaptionLanguage, type Currency, captionWords, formatPercent } from '@ivory-ladder/core';
import { type KeyboardEvent, memo, useMemo, useRef } from 'react';
import { longDay, spanLines } from '../../components/dates.ts';
import { formatFigure } from '../../components/formatFigure.ts';
import { formulaFaultText } from '../../components/formulaFaultText.ts';
import styles from './StatementTable.module.css';
import type { CellAddress } from './useStatementAddress.ts';

type Row = StatementBody['rows'][number];
type Column = StatementBody['columns'][number];

interface StatementTableProps {
  readonly statement: StatementBody;
  readonly cell: CellAddress | null;
  /** A line whose rows are told from the others. */
  readonly chosenLine?: string | null;
  readonly onToggle: (key: string, isOpen: boolean) => void;
  readonly onOpenCell: (cell: CellAddress) => void;
}

/** More columns than a span, its comparative, change and percent. */
export function isWide({ columns }: Pick<StatementBody, 'columns'>): boolean {
  return columns.length > 4;
}

/** The statement as accounts are printed. Arrow keys walk the figures; Enter opens one, or opens and closes a line. */
export function StatementTable({ statement, cell, chosenLine = null, onToggle, onOpenCell }: StatementTableProps) {
  const currency = useMemo((): Currency => ({ code: statement.currency, exponent: statement.exponent }), [statement.currency, statement.exponent]);
  const body = useRef<HTMLTableSectionElement>(null);
  const onKeyDown = (event: KeyboardEvent) => {
    const moves: Record<string, [number, number]> = { ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1] };
    const move = moves[event.key];
    const from = (event.target as HTMLElement).closest<HTMLElement>('[data-at]');
    if (!move || !from) return;
    const [row = 0, column = 0] = (from.dataset.at ?? '').split('.').map(Number);
    for (let step = 1; step <= statement.rows.length; step++) {
      const target = body.current?.querySelector<HTMLElement>(`[data-at="${row + move[0] * step}.${column + move[1] * step}"]`);
      if (target) {
        event.preventDefault();
        target.focus();
        return;
      }
      if (move[0] === 0) return;
    }
  };
  return (
    <table
      className={styles.table}
      data-wide={isWide(statement) || undefined}
      role="treegrid"
      aria-label={statement.title}
      aria-rowcount={statement.rows.length + 1}
    >
      <thead>
        <tr>
          <th scope="col">
            <span className="unseen">Line</span>
          </th>
          {statement.columns.map((column, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other identity than their place
            <th key={at} scope="col" data-kind={column.kind}>
              <Heading column={column} language={statement.language} />
            </th>
          ))}
        </tr>
      </thead>
      <tbody ref={body} onKeyDown={onKeyDown}>
        {statement.rows.map((row, at) => (
          <StatementRow
            key={`${row.key}.${row.role}`}
            at={at}
            row={row}
            columns={statement.columns}
            currency={currency}
            isChosen={row.lineKey === chosenLine}
            tone={statement.kind === 'income_statement'}
            chosen={cell !== null && row.role !== 'heading' && cell.line === row.lineKey && cell.account === row.accountId ? cell.column : null}
            onToggle={onToggle}
            onOpenCell={onOpenCell}
          />
        ))}
      </tbody>
    </table>
  );
}

function Heading({ column, language }: { column: Column; language: CaptionLanguage }) {
  if (column.kind !== 'amount') return column.kind === 'change' ? captionWords[language].change : '%';
  if (column.budget !== null)
    return (
      <>
        {captionWords[language].budget}
        <br />
        {column.budget}
      </>
    );
  if (column.measure === 'closing') {
    const day = longDay(column.lastDay, language);
    return (
      <>
        {day.slice(0, -4).replace(/\s+(de\s+)?$/, '')}
        <br />
        {day.slice(-4)}
      </>
    );
  }
  const [upper, lower] = spanLines(column.firstDay, column.lastDay, language);
  return (
    <>
      {upper}
      <br />
      {lower}
    </>
  );
}

interface RowProps {
  readonly at: number;
  readonly row: Row;
  readonly columns: readonly Column[];
  readonly currency: Currency;
  readonly tone: boolean;
  readonly chosen: number | null;
  readonly isChosen: boolean;
  readonly onToggle: StatementTableProps['onToggle'];
  readonly onOpenCell: StatementTableProps['onOpenCell'];
}

const StatementRow = memo(function StatementRow({ at, row, columns, currency, tone, chosen, isChosen, onToggle, onOpenCell }: RowProps) {
  const { role, caption, depth, opens, open, values, unit, faults, look, note } = row;
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
      aria-rowindex={at + 2}
      {...(opens ? { 'aria-expanded': open } : {})}
    >
      <th scope="row" style={{ paddingLeft: 6 + (depth + (look?.indent ?? 0)) * 18 }}>
        {opens ? (
          <button type="button" className={styles.opener} data-at={`${at}.0`} onClick={() => onToggle(row.lineKey, open)}>
            <span aria-hidden className={styles.mark}>
              {open ? '▾' : '▸'}
            </span>
            {caption}
          </button>
        ) : (
          caption
        )}
        {note && <span className={styles.note}>{note}</span>}
      </th>
      {columns.map((column, columnAt) => {
        const value = values[columnAt] ?? null;
        const place = `${at}.${columnAt + 1}`;
        if (role === 'heading' || role === 'text' || role === 'space') return <td key={place} data-kind={column.kind} />;
        if (column.kind === 'amount')
          return (
            <td key={place}>
              <button
                type="button"
                className={styles.amount}
                data-at={place}
                tabIndex={columnAt === 0 ? 0 : -1}
                aria-pressed={chosen === columnAt}
                title={faults?.[columnAt] ? formulaFaultText(faults[columnAt]) : undefined}
                onClick={() => onOpenCell({ line: row.lineKey, column: columnAt, account: row.accountId })}
              >
                {formatFigure(value, unit, currency)}
              </button>
            </td>
          );
        const text = column.kind === 'change' ? formatFigure(value, unit, currency) : formatPercent(value === null ? null : BigInt(value));
        const better = tone && value !== null && value !== '0' ? (value.startsWith('-') ? styles.worse : styles.better) : undefined;
        return (
          <td key={place} className={column.kind === 'change' ? better : undefined} data-kind={column.kind}>
            {text}
          </td>
        );
      })}
    </tr>
  );
});
