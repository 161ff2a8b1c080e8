import type { RehearsalBody, RehearsalDraft, RehearsalRow, RowProblemBody } from '@ivory-ladder/contract';
import { type Currency, type Element, elements, formatAmount } from '@ivory-ladder/core';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type Ref, useImperativeHandle, useMemo, useRef, useState } from 'react';
import { currencyOfCompany, useCompany } from '../../app/useCompany.ts';
import { problemText, proposalText } from './problemText.ts';
import styles from './RehearsalTable.module.css';

export interface RehearsalTableHandle {
  /** Brings a row of the file into view and puts the focus there. */
  showRow(row: number): void;
}

interface RehearsalTableProps {
  readonly ref: Ref<RehearsalTableHandle>;
  readonly rehearsal: RehearsalBody;
  readonly draft: RehearsalDraft;
  readonly onChange: (changes: Partial<RehearsalDraft>) => void;
}

const rowPixels = 28;

/** The rows of the file as they were understood; an error stands under its row, the cell it is about is marked. */
export function RehearsalTable({ ref, rehearsal, draft, onChange }: RehearsalTableProps) {
  const currency = currencyOfCompany(useCompany());
  const scroller = useRef<HTMLDivElement>(null);
  const [menu, setMenu] = useState<{ anchor: HTMLElement; row: RehearsalRow } | null>(null);
  const { rows, amounts } = rehearsal;
  const problemsOf = useMemo(() => {
    const byRow = new Map<number, RowProblemBody[]>();
    for (const problem of rehearsal.problems) byRow.set(problem.row, [...(byRow.get(problem.row) ?? []), problem]);
    return byRow;
  }, [rehearsal]);
  const virtual = useVirtualizer({ count: rows.length, getScrollElement: () => scroller.current, estimateSize: () => rowPixels, overscan: 15 });
  useImperativeHandle(ref, () => ({
    showRow: (row) => {
      const at = rows.findIndex((candidate) => candidate.row === row);
      if (at < 0) return;
      virtual.scrollToIndex(at, { align: 'center' });
      setTimeout(() => scroller.current?.querySelector<HTMLElement>(`[data-index="${at}"]`)?.focus(), 60);
    },
  }));
  const isSplit = amounts === 'debit_and_credit';
  return (
    <div className={styles.grid} role="grid" aria-label="Rows of the file" aria-rowcount={rows.length + 1}>
      <div role="row" className={styles.headings}>
        {['Row', 'Number', 'Name', 'Element', 'Category'].map((heading) => (
          <span key={heading} role="columnheader">
            {heading}
          </span>
        ))}
        <span role="columnheader" className={styles.amount}>
          {isSplit ? 'Debit' : 'Amount'}
        </span>
        <span role="columnheader" className={isSplit ? styles.amount : undefined}>
          {isSplit ? 'Credit' : 'Mark'}
        </span>
        <span role="columnheader" className={styles.amount}>
          Will be posted
        </span>
      </div>
      <div ref={scroller} className={styles.scroller} role="rowgroup">
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const row = rows[index] as RehearsalRow;
            return (
              <div
                key={row.row}
                ref={virtual.measureElement}
                data-index={index}
                role="row"
                aria-rowindex={index + 2}
                tabIndex={-1}
                className={styles.place}
                style={{ transform: `translateY(${start}px)` }}
              >
                <Row
                  row={row}
                  problems={problemsOf.get(row.row) ?? []}
                  currency={currency}
                  isSplit={isSplit}
                  isConfirmed={draft.confirmElements === true}
                  onChooseElement={(anchor) => setMenu({ anchor, row })}
                />
              </div>
            );
          })}
        </div>
      </div>
      <Menu anchorEl={menu?.anchor ?? null} open={menu !== null} onClose={() => setMenu(null)}>
        {elements.map((element) => (
          <MenuItem
            key={element}
            selected={menu?.row.element === element}
            onClick={() => {
              if (menu) onChange({ elements: { ...draft.elements, [menu.row.number]: element } });
              setMenu(null);
            }}
          >
            {element}
          </MenuItem>
        ))}
      </Menu>
    </div>
  );
}

interface RowProps {
  readonly row: RehearsalRow;
  readonly problems: readonly RowProblemBody[];
  readonly currency: Currency;
  readonly isSplit: boolean;
  readonly isConfirmed: boolean;
  readonly onChooseElement: (anchor: HTMLElement) => void;
}

function Row({ row, problems, currency, isSplit, isConfirmed, onChooseElement }: RowProps) {
  const marked = new Set(problems.map((problem) => problem.column));
  const isWrong = problems.some((problem) => !problem.warning);
  const mark = (...columns: RowProblemBody['column'][]) => (columns.some((column) => marked.has(column)) ? styles.wrong : undefined);
  const isProposed = row.elementFrom !== null && !['file', 'chart', 'confirmed'].includes(row.elementFrom.from) && !isConfirmed;
  const canChoose = row.elementFrom?.from !== 'chart';
  return (
    <div className={styles.row} data-wrong={isWrong || undefined}>
      <span role="gridcell" className={styles.quiet}>
        {row.row}
      </span>
      <span role="gridcell" className={mark('number', 'parent')}>
        {row.number || '–'}
      </span>
      <span role="gridcell" className={mark('name')} title={row.name}>
        {row.name || '–'}
      </span>
      <span role="gridcell">
        {canChoose ? (
          <ElementButton element={row.element} isProposed={isProposed} reason={proposalText(row.elementFrom)} onChoose={onChooseElement} />
        ) : (
          row.element
        )}
      </span>
      <span role="gridcell" className={row.placedIn.length === 0 ? styles.proposed : undefined} title={row.placedIn.join(' › ')}>
        {row.placedIn.length === 0 ? 'not placed' : row.placedIn.join(' › ')}
      </span>
      <span role="gridcell" className={`${styles.amount} ${mark(isSplit ? 'debit' : 'amount') ?? ''}`}>
        {row.found.first}
      </span>
      <span role="gridcell" className={isSplit ? `${styles.amount} ${mark('credit') ?? ''}` : undefined}>
        {row.found.second}
      </span>
      <span role="gridcell" className={`${styles.amount} ${styles.quiet}`}>
        {row.difference === null ? '?' : formatAmount(BigInt(row.difference), currency)}
      </span>
      {problems.length > 0 && (
        <span role="gridcell" className={isWrong ? styles.problem : styles.warning}>
          {problems.map(problemText).join(' ')}
        </span>
      )}
    </div>
  );
}

function ElementButton({
  element,
  isProposed,
  reason,
  onChoose,
}: {
  element: Element | null;
  isProposed: boolean;
  reason: string;
  onChoose: (anchor: HTMLElement) => void;
}) {
  return (
    <button
      type="button"
      className={styles.element}
      data-proposed={isProposed || element === null || undefined}
      aria-haspopup="menu"
      title={isProposed ? `Proposed: ${reason}` : 'Choose another element'}
      onClick={(event) => onChoose(event.currentTarget)}
    >
      {element ?? 'choose'}
      {isProposed && ' ?'}
    </button>
  );
}
