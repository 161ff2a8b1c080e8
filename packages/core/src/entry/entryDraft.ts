import type { Side } from '../chart/element.ts';

/** A line as it is being written; amounts in minor units, not negative, one of them nil. */
export interface DraftLine {
  readonly accountId: number | null;
  readonly debit: bigint;
  readonly credit: bigint;
}

export type EntryFault =
  | { code: 'too_few_lines' }
  /** `line` counts from 0. */
  | { code: 'account_missing'; line: number }
  | { code: 'amount_missing'; line: number }
  | { code: 'amount_on_both_sides'; line: number }
  /** By how much, and the side that has too little. */
  | { code: 'out_of_balance'; by: bigint; missing: Side };

/** Debits less credits. */
export function differenceOf(lines: readonly DraftLine[]): bigint {
  return lines.reduce((sum, { debit, credit }) => sum + debit - credit, 0n);
}

/** What would bring the entry into balance on a line that has no amount yet; `null` where it is in balance or the line has one. */
export function offeredOn(lines: readonly DraftLine[], at: number): { readonly side: Side; readonly amount: bigint } | null {
  const difference = differenceOf(lines);
  if (lines[at]?.debit !== 0n || lines[at]?.credit !== 0n || difference === 0n) return null;
  return difference > 0n ? { side: 'credit', amount: difference } : { side: 'debit', amount: -difference };
}

/** What stands in the way of posting, in the order of the lines; lines without anything on them are passed over. */
export function faultsOf(lines: readonly DraftLine[]): EntryFault[] {
  const faults: EntryFault[] = [];
  let written = 0;
  for (const [at, { accountId, debit, credit }] of lines.entries()) {
    if (accountId === null && debit === 0n && credit === 0n) continue;
    written++;
    if (accountId === null) faults.push({ code: 'account_missing', line: at });
    if (debit !== 0n && credit !== 0n) faults.push({ code: 'amount_on_both_sides', line: at });
    else if (debit === 0n && credit === 0n) faults.push({ code: 'amount_missing', line: at });
  }
  if (written < 2) faults.push({ code: 'too_few_lines' });
  const difference = differenceOf(lines);
  if (difference !== 0n) faults.push({ code: 'out_of_balance', by: difference < 0n ? -difference : difference, missing: difference > 0n ? 'credit' : 'debit' });
  return faults;
}
