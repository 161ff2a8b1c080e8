import type { Company } from '@ivory-ladder/contract';
import { addDays, makeMonthlyYear, makeYearFrom, monthlyYearOf, shiftMonths } from '@ivory-ladder/core';

type Stored = Company['years'][number];
/** A year that was made, or one as it would be. */
export type ShownYear = Pick<Stored, 'firstDay' | 'lastDay'> & {
  readonly periods: readonly Pick<Stored['periods'][number], 'number' | 'firstDay' | 'lastDay'>[];
};

/** The fiscal year that holds a day; outside those that were made, of months. */
export function yearHolding(company: Company, day: string): ShownYear {
  const made = company.years.find(({ firstDay, lastDay }) => firstDay <= day && day <= lastDay);
  return made ?? makeMonthlyYear(monthlyYearOf(day, company.fiscalYearFirstMonth), company.fiscalYearFirstMonth);
}

/** The year beside one, before or behind it. */
export function yearBeside(company: Company, year: ShownYear, step: 1 | -1): ShownYear {
  if (step === 1) {
    const firstDay = addDays(year.lastDay, 1);
    return company.years.find((made) => made.firstDay === firstDay) ?? makeYearFrom(firstDay, company.yearForm);
  }
  const lastDay = addDays(year.firstDay, -1);
  const made = company.years.find((one) => one.lastDay === lastDay);
  if (made) return made;
  // Before the first year that was made there are years of months alone; the last of them joins it.
  const before = makeYearFrom(shiftMonths(year.firstDay, -12), { kind: 'months' });
  return { ...before, lastDay, periods: before.periods.map((period, at) => (at === before.periods.length - 1 ? { ...period, lastDay } : period)) };
}
