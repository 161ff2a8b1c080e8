import type { EntryBody } from '@ivory-ladder/contract';
import { type Currency, findCurrency, type Layer } from '@ivory-ladder/core';
import { useEffect, useState } from 'react';
import { amountText, type EntryRow, emptyRow } from './entryRows.ts';

export interface EntryDraft {
  readonly date: string;
  readonly description: string;
  readonly layer: Layer;
  /** In the adjusting period, where its day is the last of a year that has one. */
  readonly isAdjusting?: boolean;
  /** The series that it is numbered in, by id; 0 for plain numbers. */
  readonly series?: number;
  /** The last one is empty, so that there is always a line to go on with. */
  readonly rows: readonly EntryRow[];
}

export const isBlank = ({ accountId, debit, credit, text }: EntryRow): boolean => accountId === null && debit === '' && credit === '' && text === '';

/** With one empty row at the end. */
export function withRoom(rows: readonly EntryRow[]): EntryRow[] {
  const last = rows.at(-1);
  return last && isBlank(last) ? [...rows] : [...rows, emptyRow()];
}

export function emptyDraft(date: string, layer: Layer, series = 0): EntryDraft {
  return { date, description: '', layer, series, rows: [emptyRow(), emptyRow()] };
}

/** What an account holds taken off it; the line that takes it on is still to be given its account. */
export function clearingDraft(date: string, { id, name }: { readonly id: number; readonly name: string }, net: bigint, currency: Currency): EntryDraft {
  const amount = amountText(net < 0n ? -net : net, currency);
  const [off, on] = net < 0n ? [{ debit: amount }, { credit: amount }] : [{ credit: amount }, { debit: amount }];
  return {
    ...emptyDraft(date, 'ledger'),
    description: `${name}: moved to where it belongs`,
    rows: withRoom([
      { ...emptyRow(), accountId: id, ...off },
      { ...emptyRow(), ...on },
    ]),
  };
}

export function draftOf({ date, description, layer, isAdjusting, series, lines }: EntryBody, currency: Currency): EntryDraft {
  const typed = (amount: string) => (amount === '0' ? '' : amountText(BigInt(amount), currency));
  return {
    date,
    description,
    layer,
    isAdjusting,
    series,
    rows: withRoom(
      lines.map((line) => ({
        ...emptyRow(),
        accountId: line.accountId,
        debit: typed(line.debit),
        credit: typed(line.credit),
        text: line.text,
        facets: line.facets,
        foreign: foreignOf(line),
      })),
    ),
  };
}

function foreignOf({ debit, foreign }: EntryBody['lines'][number]): EntryRow['foreign'] {
  const currency = foreign && findCurrency(foreign.currency);
  if (!foreign || !currency) return null;
  return {
    currency: foreign.currency,
    amount: amountText(BigInt(foreign.amount), currency),
    rate: foreign.rate ?? '',
    side: debit === '0' ? 'credit' : 'debit',
  };
}

export function isUntouched({ description, rows }: EntryDraft): boolean {
  return description === '' && rows.every(isBlank);
}

/**
 * A draft that keeps itself in this browser while it is written, so that nothing typed is lost with the page; `isCopy`: it
 * begins from another entry in the place of what was kept.
 */
export function useEntryDraft(
  companyId: number,
  first: EntryDraft,
  isCopy: boolean,
): readonly [draft: EntryDraft, setDraft: (draft: EntryDraft) => void, wasKept: boolean] {
  const key = `entry draft of company ${companyId}`;
  const [kept] = useState(() => (isCopy ? null : read(key)));
  const [draft, setDraft] = useState(kept ?? first);
  useEffect(() => {
    try {
      if (isUntouched(draft)) localStorage.removeItem(key);
      else localStorage.setItem(key, JSON.stringify(draft));
    } catch {
      // A browser that keeps nothing: the draft lives as long as the page.
    }
  }, [key, draft]);
  return [draft, setDraft, kept !== null];
}

function read(key: string): EntryDraft | null {
  try {
    const text = localStorage.getItem(key);
    const draft = text === null ? null : (JSON.parse(text) as Partial<EntryDraft>);
    return draft && Array.isArray(draft.rows) && typeof draft.date === 'string'
      ? ({ ...draft, rows: draft.rows.map((row) => ({ ...row, facets: row.facets ?? {}, foreign: row.foreign ?? null })) } as EntryDraft)
      : null;
  } catch {
    return null;
  }
}
