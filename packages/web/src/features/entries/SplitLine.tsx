import { type Currency, readDecimal, splitByShares, takeTaxOut } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { type FormEvent, type KeyboardEvent, useState } from 'react';
import { Select } from '../../shared/components/Select.tsx';
import { amountIn, amountText, type EntryRow, emptyRow } from './entryRows.ts';
import styles from './NewEntryScreen.module.css';

interface SplitLineProps {
  readonly row: EntryRow;
  /** From 1. */
  readonly line: number;
  readonly columns: number;
  readonly currency: Currency;
  /** `null`: the line stays as it is. */
  readonly onSplit: (rows: readonly EntryRow[] | null) => void;
}

/** Under a line: its amount in parts, by shares, or a tax taken out of it; the parts add up to it. */
export function SplitLine({ row, line, columns, currency, onSplit }: SplitLineProps) {
  const [kind, setKind] = useState<'shares' | 'tax'>('shares');
  const [text, setText] = useState('');
  const side = row.credit === '' ? 'debit' : 'credit';
  const amount = amountIn(row[side], currency) ?? 0n;
  const parts = partsOf(amount, kind, text);
  const apply = (event?: FormEvent) => {
    event?.preventDefault();
    if (!parts) return;
    const written = (part: bigint) => ({ [side]: part === 0n ? '' : amountText(part, currency) });
    onSplit(
      parts.map((part, at) => {
        if (at === 0) return { ...row, ...written(part), foreign: null };
        // Shares are mostly of one account; a tax has its own.
        return kind === 'tax' ? { ...emptyRow(), text: row.text, ...written(part) } : { ...row, key: emptyRow().key, foreign: null, ...written(part) };
      }),
    );
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Escape') onSplit(null);
    else if (event.key === 'Enter') apply();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <tr className={styles.foreign}>
      <td colSpan={columns}>
        <Select aria-label={`How line ${line} is split`} value={kind} onChange={(event) => setKind(event.target.value as 'shares' | 'tax')}>
          <option value="shares">in shares of</option>
          <option value="tax">take out a tax of, in %</option>
        </Select>
        <input
          // biome-ignore lint/a11y/noAutofocus: the field comes where one has just asked for it
          autoFocus
          className={styles.cell}
          inputMode="decimal"
          aria-label={kind === 'shares' ? `Shares of line ${line}` : `Tax within line ${line}`}
          placeholder={kind === 'shares' ? '60 40' : '25'}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={onKeyDown}
        />
        <span>{parts ? parts.map((part) => amountText(part, currency)).join(' + ') : amount === 0n ? 'The line has no amount yet.' : ''}</span>
        <Button disabled={!parts} onClick={() => apply()}>
          Split
        </Button>
        <Button onClick={() => onSplit(null)}>Cancel</Button>
      </td>
    </tr>
  );
}

function partsOf(amount: bigint, kind: 'shares' | 'tax', text: string): readonly bigint[] | null {
  const numbers = text
    .trim()
    .split(/[\s;/]+/)
    .map(readDecimal);
  if (amount === 0n || numbers.length === 0) return null;
  const shares = numbers.flatMap((share) => (share && share.units > 0n ? [share] : []));
  if (shares.length !== numbers.length) return null;
  if (kind === 'shares') return shares.length < 2 ? null : splitByShares(amount, shares);
  return shares.length === 1 && shares[0] ? takeTaxOut(amount, shares[0]) : null;
}
