import { fail, type Outcome, type Period } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import { type Books, type PeriodLock, type Ports, periodKey, type Structure } from '../ports/index.ts';
import { type CompanyView, viewCompany } from './companies.ts';

export interface LockChoice {
  readonly year: number;
  readonly number: number;
  readonly reason: string;
}

/** Locks a period and every open one before it: the books are closed up to its last day, and take no entry there. */
export function lockPeriods(ports: Ports, access: Access<'lock_periods'>, { year, number, reason }: LockChoice): Promise<Outcome<CompanyView, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, access.companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const last = findPeriod(books, year, number);
    if (!last) return fail({ code: 'not_found', thing: 'period', id: `${year}/${number}` });
    // By their order: an adjusting period stays open behind the last one, though it bears its last day.
    const upTo = books.calendar.periods.slice(0, books.calendar.periods.indexOf(last) + 1);
    const open = upTo.filter((period) => !lockOf(books, period));
    if (open.length === 0) return fail({ code: 'period_locked', day: last.lastDay });
    const locked = await ports.companies.lockPeriods(access.companyId, open, reason, books.company.structureVersion, access.actor);
    return locked.ok ? viewCompany(ports, access) : locked;
  });
}

/** Opens one period again, with a reason; those before it stay locked. */
export function unlockPeriod(
  ports: Ports,
  access: Access<'keep_people_and_settings'>,
  { year, number, reason }: LockChoice,
): Promise<Outcome<CompanyView, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, access.companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const period = findPeriod(books, year, number);
    if (!period) return fail({ code: 'not_found', thing: 'period', id: `${year}/${number}` });
    const lock = lockOf(books, period);
    if (!lock) return fail({ code: 'period_not_locked', day: period.lastDay });
    const unlocked = await ports.companies.unlockPeriod(access.companyId, period, lock, reason, books.company.structureVersion, access.actor);
    return unlocked.ok ? viewCompany(ports, access) : unlocked;
  });
}

/** The failure of posting on a day that is locked, `null` where it is open; the posting itself checks again. */
export function lockedOn(books: Structure, period: Period, day: string): Extract<Failure, { code: 'period_locked' }> | null {
  return lockOf(books, period) ? { code: 'period_locked', day } : null;
}

function lockOf({ locks }: Structure, period: Period): PeriodLock | undefined {
  return locks.get(periodKey(period));
}

function findPeriod({ calendar }: Books, year: number, number: number): Period | undefined {
  return calendar.periods.find((period) => period.year === year && period.number === number);
}
