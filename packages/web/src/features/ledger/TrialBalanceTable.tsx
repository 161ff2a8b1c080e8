import type { TrialBalanceViewBody } from '@ivory-ladder/contract';
import { type Currency, formatAmount } from '@ivory-ladder/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, useMemo, useRef } from 'react';
import styles from './TrialBalanceTable.module.css';

type Line = TrialBalanceViewBody['accounts'][number];

interface TrialBalanceTableProps {
  readonly view: TrialBalanceViewBody;
  readonly currency: Currency;
  readonly filter: string;
  readonly chosen: number;
  readonly onOpen: (accountId: number) => void;
}

const rowPixels = 26;
const columns = ['opening', 'debit', 'credit', 'carried', 'closing'] as const;
const captions = { opening: 'Opening', debit: 'Debits', credit: 'Credits', carried: 'Carried over', closing: 'Closing' } as const;

/** Every account with opening, movement and closing; opening + debits − credits + carried over = closing. */
export function TrialBalanceTable({ view, currency, filter, chosen, onOpen }: TrialBalanceTableProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const searchable = useMemo(() => view.accounts.map((line) => `${line.number} ${line.name}`.toLowerCase()), [view]);
  const shown = useMemo(() => {
    const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
    return view.accounts.filter((_, at) => words.every((word) => searchable[at]?.includes(word)));
  }, [view, searchable, filter]);
  const sums = useMemo(() => columns.map((column) => shown.reduce((sum, line) => sum + BigInt(line[column]), 0n)), [shown]);
  const hasCarried = view.accounts.some((line) => line.carried !== '0');
  const visible = columns.filter((column) => column !== 'carried' || hasCarried);
  const virtual = useVirtualizer({ count: shown.length, getScrollElement: () => scroller.current, estimateSize: () => rowPixels, overscan: 12 });
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const at = Number((event.target as HTMLElement).dataset.row ?? -1);
    const next =
      event.key === 'ArrowDown' ? at + 1 : event.key === 'ArrowUp' ? at - 1 : event.key === 'PageDown' ? at + 20 : event.key === 'PageUp' ? at - 20 : null;
    if (at < 0 || next === null) return;
    event.preventDefault();
    const target = Math.max(0, Math.min(shown.length - 1, next));
    virtual.scrollToIndex(target);
    requestAnimationFrame(() => scroller.current?.querySelector<HTMLElement>(`[data-row="${target}"]`)?.focus());
  };
  const format = (amount: bigint) => formatAmount(amount, currency);
  return (
    <div
      className={styles.grid}
      role="grid"
      aria-label="Trial balance"
      aria-rowcount={shown.length + 2}
      style={{ '--amounts': visible.length } as React.CSSProperties}
    >
      <div role="row" className={styles.headings}>
        <span role="columnheader">Account</span>
        {visible.map((column) => (
          <span key={column} role="columnheader" className={styles.amount}>
            {captions[column]}
          </span>
        ))}
      </div>
      <div ref={scroller} className={styles.scroller} onKeyDown={onKeyDown} role="rowgroup">
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const line = shown[index] as Line;
            return (
              <div
                key={line.id}
                role="row"
                aria-rowindex={index + 2}
                aria-selected={line.id === chosen}
                tabIndex={index === 0 || line.id === chosen ? 0 : -1}
                data-row={index}
                className={styles.row}
                style={{ transform: `translateY(${start}px)` }}
                onClick={() => onOpen(line.id)}
                onKeyDown={(event) => event.key === 'Enter' && onOpen(line.id)}
              >
                <span role="gridcell" className={styles.name} style={{ paddingLeft: line.depth * 16 }} title={line.name}>
                  <span className={styles.number}>{line.number}</span> {line.name}
                </span>
                {visible.map((column) => (
                  <span key={column} role="gridcell" className={styles.amount}>
                    {format(column === 'credit' ? BigInt(line.credit) : BigInt(line[column]))}
                  </span>
                ))}
              </div>
            );
          })}
        </div>
      </div>
      <div role="row" className={styles.totals}>
        <span role="gridcell">{filter ? `${shown.length} of ${view.accounts.length} accounts` : 'Total'}</span>
        {visible.map((column) => (
          <span key={column} role="gridcell" className={styles.amount}>
            {format(sums[columns.indexOf(column)] ?? 0n)}
          </span>
        ))}
      </div>
      {view.notAllotted !== '0' && (
        <p className={styles.note}>
          Profit of completed years, {format(BigInt(view.notAllotted))}, is carried to no account: none is named for retained earnings.
        </p>
      )}
    </div>
  );
}
