import { type Day, fail, type Outcome, succeed, yearOf } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { AdjustmentsView, Ports } from '../ports/index.ts';

const mostAdjustments = 500;

/** Adjustments of the fiscal year up to a day, oldest first: what stands between the ledger and the adjusted balances. */
export async function viewAdjustments(ports: Ports, { companyId }: Access, to: Day): Promise<Outcome<AdjustmentsView, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const year = yearOf(opened.value.calendar, to);
  if (!year) return fail({ code: 'day_outside_calendar', day: to, year: to.slice(0, 4) });
  const { entries, earlier } = await ports.ledger.adjustments(companyId, year.firstDay, to, mostAdjustments);
  return succeed({ from: year.firstDay, entries, earlier });
}
