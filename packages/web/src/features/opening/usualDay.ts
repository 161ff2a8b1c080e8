import type { Company } from '@ivory-ladder/contract';
import { addDays } from '@ivory-ladder/core';

/** When a ledger opens: the day before the first fiscal year that has one before it, else the first day of all. */
export function usualDay(years: Company['years']): string {
  const [first, second] = years;
  if (second) return addDays(second.firstDay, -1);
  return first?.firstDay ?? `${new Date().getUTCFullYear()}-01-01`;
}
