import type { Day } from '../calendar/day.ts';

/** What the income and expense figures of a trial balance are. */
export type FigureKind =
  | { readonly kind: 'year_to_date' }
  /** Since the end of `since`; completed years after it are taken off and put to retained earnings. */
  | { readonly kind: 'cumulative'; readonly since: Day }
  /** From `firstDay` to the day of the balances; added to what the year had before. */
  | { readonly kind: 'period'; readonly firstDay: Day }
  /** Taken after the year was closed: its income and expense accounts are nil. */
  | { readonly kind: 'after_closing' };

/** Figures of a trial balance by dense account number, debit positive. */
export interface BroughtIn {
  readonly day: Day;
  readonly figures: BigInt64Array;
  /** 1 where the account keeps the balance it has, because the file does not speak of it. */
  readonly leftAlone: Uint8Array;
  readonly kind: FigureKind;
}

/** Lines of one entry by dense account number, debit positive; they add to zero. */
export interface ProposedEntry {
  readonly day: Day;
  /** The fiscal year it closes, or `null` for an ordinary entry. */
  readonly closesYear: number | null;
  readonly lines: BigInt64Array;
  readonly purpose: 'differences' | 'closing' | 'keeps_later_balance' | 'keeps_later_closing';
}

export function isNil(lines: BigInt64Array): boolean {
  return lines.every((amount) => amount === 0n);
}
