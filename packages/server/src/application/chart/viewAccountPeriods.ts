import { balanceAt, fail, layers, movementOfPeriod, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports } from '../ports/index.ts';

export interface AccountPeriod {
  readonly year: number;
  readonly number: number;
  readonly firstDay: string;
  readonly lastDay: string;
  readonly movement: bigint;
  /** Balance at its last day; of income and expense what the fiscal year has brought so far. Debit positive. */
  readonly closing: bigint;
}

/** What an account did in each period there is, oldest first. Cost: periods × accounts, a few milliseconds. */
export async function viewAccountPeriods(ports: Ports, { companyId }: Access, accountId: number): Promise<Outcome<readonly AccountPeriod[], Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const { cube, traits, calendar } = opened.value;
  const at = cube.indexOf.get(accountId);
  if (at === undefined) return fail({ code: 'not_found', thing: 'account', id: accountId });
  return succeed(
    calendar.periods.map(({ year, number, firstDay, lastDay }, index) => ({
      year,
      number,
      firstDay,
      lastDay,
      movement: movementOfPeriod(cube, layers, index)[at] as bigint,
      closing: balanceAt(cube, traits, layers, lastDay).net[at] as bigint,
    })),
  );
}
