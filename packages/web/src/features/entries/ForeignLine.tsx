import type { Currency, ExchangeRate } from '@ivory-ladder/core';
import type { KeyboardEvent } from 'react';
import type { EntryRow, TypedForeign } from './entryRows.ts';
import { converted, rateText } from './foreignAmount.ts';
import styles from './NewEntryScreen.module.css';

interface ForeignLineProps {
  readonly row: EntryRow & { readonly foreign: TypedForeign };
  /** From 1. */
  readonly line: number;
  readonly columns: number;
  readonly rates: readonly ExchangeRate[];
  readonly day: string;
  readonly functional: Currency;
  readonly onChange: (row: EntryRow) => void;
  readonly onEnter: (event: KeyboardEvent<HTMLInputElement>) => void;
}

/** Under a line: its amount in another currency and the rate; changed here, the line's own amount follows. */
export function ForeignLine({ row, line, columns, rates, day, functional, onChange, onEnter }: ForeignLineProps) {
  const { foreign } = row;
  const said = rateText(row, { rates, day, functional });
  const set = (changes: Partial<TypedForeign>) => onChange(converted({ ...row, foreign: { ...foreign, ...changes } }, functional));
  return (
    <tr className={styles.foreign}>
      <td colSpan={columns}>
        <span>{foreign.currency}</span>
        <input
          className={styles.cell}
          inputMode="decimal"
          aria-label={`Amount in ${foreign.currency} of line ${line}`}
          value={foreign.amount}
          onChange={(event) => set({ amount: event.target.value })}
          onKeyDown={onEnter}
        />
        <span>at</span>
        <input
          className={styles.cell}
          inputMode="decimal"
          aria-label={`Rate of line ${line}`}
          value={foreign.rate}
          onChange={(event) => set({ rate: event.target.value })}
          onKeyDown={onEnter}
        />
        <span className={said.isMissing ? styles.difference : undefined}>
          {said.isMissing ? '▲ ' : ''}
          {said.text}
        </span>
        <button
          type="button"
          className={styles.drop}
          tabIndex={-1}
          aria-label={`Take ${foreign.currency} of line ${line} away`}
          onClick={() => onChange({ ...row, foreign: null })}
        >
          ✕
        </button>
      </td>
    </tr>
  );
}
