import { type FiscalCalendar, periodIndexOf } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import type { PostedEntry, Request, TakingBackPlan } from '../../application/ports/index.ts';
import { remakeBroughtIn } from '../books/index.ts';
import { type Counters, changeIn, Refused, recordAudit, recordOutcome, rowsOf, takeKey, timestamp } from '../database/index.ts';
import { TrialBalanceEntity } from '../entities/ledgerEntities.ts';
import { numberEntries } from './numberEntries.ts';
import { addToBalances, type EntryToWrite, insertEntries, isBroughtIn, lastPeriodOf, lockAccounts, lockPeriods } from './writeEntries.ts';

interface StoredEntry {
  readonly date: string;
  readonly year: number;
  readonly period: number;
  readonly layer: EntryToWrite['layer'];
  readonly closesYear: number | null;
}

/** In one transaction and in the lock order of postings; the row of the trial balance, which is marked first, lets it happen once. */
export async function takeBack(
  runner: QueryRunner,
  counters: Counters,
  companyId: number,
  calendar: FiscalCalendar,
  plan: TakingBackPlan,
  facetSetOf: (accountId: number) => number,
  request: Request,
): Promise<{ entries: PostedEntry[]; revision: number }> {
  await takeKey(runner, companyId, request);
  const { actor } = request;
  const marked = await changeIn(
    runner,
    TrialBalanceEntity,
    companyId,
    { id: plan.trialBalanceId, takenBackAt: null },
    { takenBackAt: timestamp(), takenBackBy: actor.name, takenBackById: actor.personId },
  );
  if (marked === 0) throw new Refused({ code: 'ledger_moved_on' });
  const toWrite: EntryToWrite[] = [];
  const shared = { description: plan.description, trialBalanceId: plan.trialBalanceId };
  for (const entryId of plan.reversed) {
    const [entry] = await rowsOf<StoredEntry>(
      runner,
      'SELECT entry_date AS date, year, period, layer, closes_year AS closesYear FROM journal_entry WHERE company_id = ? AND id = ?',
      [companyId, entryId],
    );
    if (!entry) throw new Refused({ code: 'ledger_moved_on' });
    const lines = await rowsOf<{ accountId: number; debit: string; credit: string; text: string; facetSetId: number }>(
      runner,
      'SELECT account_id AS accountId, debit, credit, text, facet_set_id AS facetSetId FROM journal_line WHERE company_id = ? AND entry_id = ? ORDER BY line_number',
      [companyId, entryId],
    );
    const period = { year: entry.year, number: entry.period };
    toWrite.push({
      ...shared,
      id: await counters.next('entry'),
      date: entry.date,
      layer: entry.layer,
      source: 'trial_balance',
      closesYear: entry.closesYear,
      reversesEntryId: entryId,
      period,
      balancePeriod: entry.closesYear === null ? period : await lastPeriodOf(runner, companyId, entry.closesYear),
      lines: lines.map(({ debit, credit, ...line }) => ({ ...line, debit: BigInt(credit), credit: BigInt(debit) })),
    });
  }
  for (const { date, closesYear, description, lines } of plan.kept) {
    const period = calendar.periods[periodIndexOf(calendar, date)];
    if (!period) throw new Refused({ code: 'day_outside_calendar', day: date, year: date.slice(0, 4) });
    toWrite.push({
      ...{ date, closesYear, description, period },
      trialBalanceId: plan.trialBalanceId,
      id: await counters.next('entry'),
      layer: 'ledger',
      source: 'trial_balance',
      reversesEntryId: null,
      balancePeriod: closesYear === null ? period : await lastPeriodOf(runner, companyId, closesYear),
      lines: lines.map(({ accountId, net }) => ({
        ...{ accountId, text: '', facetSetId: facetSetOf(accountId) },
        debit: net > 0n ? net : 0n,
        credit: net < 0n ? -net : 0n,
      })),
    });
  }
  await lockPeriods(runner, companyId, toWrite);
  await lockAccounts(
    runner,
    companyId,
    toWrite.flatMap(({ lines }) => lines.map(({ accountId }) => accountId)),
    true,
  );
  await insertEntries(runner, companyId, request.actor, toWrite);
  await recordAudit(runner, counters, companyId, request.actor, [
    {
      thing: 'trial_balance',
      thingId: plan.trialBalanceId,
      action: 'changed',
      before: { takenBack: false },
      after: { takenBack: true, entries: toWrite.map(({ id }) => id) },
    },
  ]);
  await addToBalances(runner, companyId, toWrite);
  const { revision, posted } = await numberEntries(runner, companyId, toWrite, plan.expectedRevision);
  await remakeBroughtIn(
    runner,
    companyId,
    toWrite.filter(isBroughtIn).map(({ period }) => period),
  );
  const outcome = { entries: posted, revision };
  await recordOutcome(runner, companyId, request, outcome);
  return outcome;
}
