import { accountLabel } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import type { Books, MergePlan, PostingOutcome, Request } from '../../application/ports/index.ts';
import { noFacets } from '../books/index.ts';
import { mergeBudgets } from '../budgets/index.ts';
import { replaceCodes } from '../chart/index.ts';
import { type AuditEvent, type Counters, changedRows, Refused, recordAudit, recordOutcome, takeKey, takeStructure } from '../database/index.ts';
import { keptEvent, replacePlaces } from '../placement/index.ts';
import { numberEntries } from './numberEntries.ts';
import { addToBalances, type EntryToWrite, insertEntries, lockPeriods, postedEvent } from './writeEntries.ts';

/** Entries, place, role and the end of the account that goes, in one transaction and in the lock order of postings. */
export async function mergeAccounts(runner: QueryRunner, counters: Counters, books: Books, plan: MergePlan, request: Request): Promise<PostingOutcome> {
  const companyId = books.company.id;
  const { from, into, period } = plan;
  await takeKey(runner, companyId, request);
  await takeStructure(runner, companyId, books.company.structureVersion);
  const entries: EntryToWrite[] = [];
  for (const entry of plan.entries) {
    const lines = entry.lines.map((line) => ({ ...line, facetSetId: noFacets }));
    entries.push({ ...entry, lines, id: await counters.next('entry'), period, balancePeriod: period, trialBalanceId: null });
  }
  await lockPeriods(runner, companyId, entries);
  // Exclusively, in id order: postings under way on either are waited for, new ones wait.
  for (const id of [from.id, into.id].sort((a, b) => a - b))
    await runner.query('SELECT id FROM account WHERE company_id = ? AND id = ? FOR UPDATE', [companyId, id]);
  if (entries.length > 0) await insertEntries(runner, companyId, request.actor, entries);
  const isCash = from.role === 'cash';
  const retired = await changedRows(
    runner,
    `UPDATE account SET active = 0, ${isCash ? 'cash_until = ?' : 'role = NULL'}, version = version + 1 WHERE company_id = ? AND id = ? AND version = ?`,
    [...(isCash ? [plan.day] : []), companyId, from.id, from.version],
  );
  const kept =
    plan.role === null
      ? 1
      : await changedRows(runner, 'UPDATE account SET role = ?, cash_from = ?, version = version + 1 WHERE company_id = ? AND id = ? AND version = ?', [
          plan.role,
          plan.role === 'cash' ? plan.day : null,
          companyId,
          into.id,
          into.version,
        ]);
  if (retired + kept < 2) throw new Refused({ code: 'ledger_moved_on' });
  await replacePlaces(
    runner,
    companyId,
    plan.moved.map(({ accountId, classificationId, after: places }) => ({ accountId, classificationId, places })),
  );
  if (Object.keys(plan.codes).length > 0) await replaceCodes(runner, companyId, [{ accountId: into.id, codes: { ...plan.codes, ...into.codes } }]);
  await mergeBudgets(runner, companyId, from.id, into.id);
  await recordAudit(runner, counters, companyId, request.actor, eventsOf(plan, entries));
  if (entries.length > 0) await addToBalances(runner, companyId, entries);
  const { revision, posted } =
    entries.length > 0 ? await numberEntries(runner, companyId, entries, books.cube.revision) : { revision: books.cube.revision, posted: [] };
  const moved = await changedRows(
    runner,
    'UPDATE company SET structure_version = structure_version + 1 WHERE id = ? AND structure_version = ? AND revision = ?',
    [companyId, books.company.structureVersion, revision],
  );
  if (moved === 0) throw new Refused({ code: 'ledger_moved_on' });
  const outcome: PostingOutcome = { posted: true, entries: posted, newAccounts: 0, revision };
  await recordOutcome(runner, companyId, request, outcome);
  return outcome;
}

function eventsOf({ from, into, role, codes, moved, day }: MergePlan, entries: readonly EntryToWrite[]): AuditEvent[] {
  const isCash = from.role === 'cash';
  const before = { active: true, ...(from.role === null ? {} : isCash ? { cashUntil: from.cashUntil } : { role: from.role }) };
  return [
    ...entries.map(postedEvent),
    {
      thing: 'account',
      thingId: from.id,
      action: 'changed',
      before,
      after: { mergedInto: accountLabel(into), active: false, ...(from.role === null ? {} : isCash ? { cashUntil: day } : { role: null }) },
    },
    ...(role === null
      ? []
      : [
          {
            thing: 'account',
            thingId: into.id,
            action: 'changed',
            before: { role: null },
            after: { role, ...(role === 'cash' ? { cashFrom: day } : {}) },
          } as const,
        ]),
    ...(Object.keys(codes).length === 0
      ? []
      : [{ thing: 'account', thingId: into.id, action: 'changed', before: { codes: into.codes }, after: { codes: { ...codes, ...into.codes } } } as const]),
    ...moved.map(keptEvent),
  ];
}
