import {
  addDays,
  checkPeriodEnds,
  dayParts,
  type FiscalYear,
  fail,
  makeMonthlyYear,
  makeYearFrom,
  makeYearOf,
  monthlyYearOf,
  type Outcome,
  succeed,
  withAdjustingPeriod,
  type YearForm,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports, Structure } from '../ports/index.ts';

/** The next year as somebody wants it: by a form, which later ones follow, or by the last days of its periods. */
export interface NextYear {
  /** Of the first year of all; others begin behind the last. */
  readonly firstDay?: string | undefined;
  readonly form?: YearForm | undefined;
  readonly lastDays?: readonly string[] | undefined;
  readonly adjusting: boolean;
}

/** Makes the fiscal year that holds the day, and those between it and the years already there. */
export function makeYear(ports: Ports, { companyId, actor }: Access<'prepare_entries'>, day: string): Promise<Outcome<FiscalYear[], Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    if (!isWithinReach(opened.value, day)) return fail({ code: 'day_out_of_reach', day });
    const years = yearsToMake(opened.value, day);
    if (years.length === 0) return succeed([]);
    const made = await ports.companies.makeYears(companyId, years, null, opened.value.company.structureVersion, actor);
    return made.ok ? succeed(years) : made;
  });
}

/** Makes one year behind the last, in its own form. */
export function makeNextYear(ports: Ports, { companyId, actor }: Access<'prepare_entries'>, wanted: NextYear): Promise<Outcome<FiscalYear[], Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const { calendar, company } = opened.value;
    const last = calendar.years.at(-1);
    const firstDay = last ? addDays(last.lastDay, 1) : wanted.firstDay;
    if (firstDay === undefined) return fail({ code: 'first_day_needed' });
    const refused = wanted.lastDays ? checkPeriodEnds(firstDay, wanted.lastDays) : null;
    if (refused) return fail(refused);
    const form = wanted.form ?? company.yearForm;
    const made = behind(last, wanted.lastDays ? makeYearOf(firstDay, wanted.lastDays) : makeYearFrom(firstDay, form));
    const years = [wanted.adjusting ? withAdjustingPeriod(made) : made];
    const changedForm = wanted.form && JSON.stringify(wanted.form) !== JSON.stringify(company.yearForm) ? wanted.form : null;
    const stored = await ports.companies.makeYears(companyId, years, changedForm, company.structureVersion, actor);
    return stored.ok ? succeed(years) : stored;
  });
}

/** A period for adjustments behind the last of a year that has none. */
export function addAdjustingPeriod(ports: Ports, { companyId, actor }: Access<'prepare_entries'>, yearNumber: number): Promise<Outcome<null, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const year = opened.value.calendar.years.find((made) => made.year === yearNumber);
    if (!year) return fail({ code: 'not_found', thing: 'year', id: yearNumber });
    if (year.periods.some(({ isAdjusting }) => isAdjusting)) return fail({ code: 'adjusting_period_there', year: String(yearNumber) });
    const period = withAdjustingPeriod(year).periods.at(-1);
    if (!period) throw new Error('a year without periods');
    return ports.companies.addAdjustingPeriod(companyId, period, opened.value.company.structureVersion, actor);
  });
}

/** Years that must be made so that the day stands in one and no gap is left to those already there; none where they cannot be joined. */
export function yearsToMake({ company, calendar }: Structure, day: string): FiscalYear[] {
  const { fiscalYearFirstMonth, yearForm } = company;
  const [first, last] = [calendar.years[0], calendar.years.at(-1)];
  if (!first || !last) return [makeMonthlyYear(monthlyYearOf(day, fiscalYearFirstMonth), fiscalYearFirstMonth)];
  const years: FiscalYear[] = [];
  if (day > last.lastDay)
    for (let before = last; before.lastDay < day && years.length <= reach; ) {
      before = behind(before, makeYearFrom(addDays(before.lastDay, 1), yearForm));
      years.push(before);
    }
  else if (day < first.firstDay && dayParts(first.firstDay).dayOfMonth === 1) {
    const { month } = dayParts(first.firstDay);
    for (let number = first.year - 1; years.length <= reach && (years[0]?.firstDay ?? first.firstDay) > day; number--)
      years.unshift(makeMonthlyYear(number, month));
  }
  return years;
}

const reach = 30;

/** A slip of the keyboard (2062 for 2026) must not make decades of periods. */
export function isWithinReach(books: Structure, day: string): boolean {
  return yearsToMake(books, day).length <= reach;
}

/** Numbers of years go up, also where a short one begins in the same calendar year as the one before. */
function behind(last: FiscalYear | undefined, year: FiscalYear): FiscalYear {
  const number = Math.max(year.year, (last?.year ?? 0) + 1);
  return { ...year, year: number, periods: year.periods.map((period) => ({ ...period, year: number })) };
}
