import { addDays, type Day, type Span } from '../calendar/day.ts';
import type { Account } from './account.ts';

/** The days on which an account is cash: both among them; `null`: from or until ever. */
export interface CashDays {
  readonly cashFrom?: Day | null | undefined;
  readonly cashUntil?: Day | null | undefined;
}

export function isCashOn({ role, cashFrom, cashUntil }: Pick<Account, 'role'> & CashDays, day: Day): boolean {
  return role === 'cash' && (cashFrom == null || cashFrom <= day) && (cashUntil == null || day <= cashUntil);
}

/** Whether it is cash at the beginning of a span, as it was at the end of the day before, and at its end. */
export function isCashAtEnds(account: Pick<Account, 'role'> & CashDays, { firstDay, lastDay }: Span): { readonly opening: boolean; readonly closing: boolean } {
  return { opening: isCashOn(account, addDays(firstDay, -1)), closing: isCashOn(account, lastDay) };
}

/** Whether it is cash on some days only. */
export function hasCashDays({ role, cashFrom, cashUntil }: Pick<Account, 'role'> & CashDays): boolean {
  return role === 'cash' && (cashFrom != null || cashUntil != null);
}
