import { accountsByNumber, collationKey, type FiscalCalendar, makeCalendar, periodIndexOf, withPathsAsNumbers } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import type { PostingOutcome, Request, Structure, TrialBalancePlan } from '../../application/ports/index.ts';
import { insertYears, remakeBroughtIn } from '../books/index.ts';
import { insertAccounts, takeRole } from '../chart/index.ts';
import {
  type AuditEvent,
  type Counters,
  insertRows,
  Refused,
  recordAudit,
  recordOutcome,
  rowsOf,
  takeKey,
  takeStructure,
  timestamp,
} from '../database/index.ts';
import { addCategoryPath } from '../placement/index.ts';
import { numberEntries } from './numberEntries.ts';
import { addToBalances, type EntryToWrite, insertEntries, isBroughtIn, lockAccounts, lockPeriods } from './writeEntries.ts';

/** Everything a trial balance changes, inside one transaction, in the lock order of docs/architecture.md. */
export async function applyPlan(
  runner: QueryRunner,
  counters: Counters,
  structure: Structure,
  plan: TrialBalancePlan,
  /** Of lines that the file gives no facets for. */
  facetSetOf: (accountId: number) => number,
  request: Request,
): Promise<PostingOutcome> {
  const companyId = structure.company.id;
  await takeKey(runner, companyId, request);
  await takeStructure(runner, companyId, plan.expectedStructure);
  const audit: AuditEvent[] = [];
  await insertYears(runner, companyId, plan.newYears);
  const calendar = makeCalendar([...structure.calendar.periods, ...plan.newYears.flatMap((year) => year.periods)]);
  const idOf = await addAccounts(runner, structure, plan, audit);
  await giveRetainedEarnings(runner, structure, plan, idOf, audit);
  await placeAccounts(runner, structure, plan, idOf, audit);
  const isRemembered = plan.entries.length > 0 || plan.remember;
  const trialBalanceId = isRemembered ? await counters.next('trial_balance') : null;
  const entries = await entriesOf(runner, counters, companyId, calendar, plan, idOf, facetSetOf, trialBalanceId);
  const isStructural = plan.newYears.length > 0 || audit.length > 0;
  if (entries.length === 0 && !isStructural && !isRemembered) return { posted: false, entries: [], newAccounts: 0, revision: plan.expectedRevision };
  await lockPeriods(runner, companyId, entries);
  await lockAccounts(
    runner,
    companyId,
    entries.flatMap((entry) => entry.lines.map((line) => line.accountId)),
    true,
  );
  if (trialBalanceId !== null) {
    const [file] = await rowsOf<{ name: string }>(runner, 'SELECT name FROM imported_file WHERE company_id = ? AND id = ?', [companyId, plan.fileId]);
    await insertRows(runner, 'trial_balance (company_id, id, file_id, file_name, balance_day, figures, posted_at, posted_by, posted_by_id)', [
      [
        companyId,
        trialBalanceId,
        plan.fileId,
        file?.name ?? '',
        plan.day,
        JSON.stringify(plan.figures),
        timestamp(),
        request.actor.name,
        request.actor.personId,
      ],
    ]);
    audit.push({
      thing: 'trial_balance',
      thingId: trialBalanceId,
      action: 'posted',
      after: { day: plan.day, figures: plan.figures, entries: entries.map((entry) => entry.id) },
    });
  }
  if (entries.length > 0) await insertEntries(runner, companyId, request.actor, entries);
  await recordAudit(runner, counters, companyId, request.actor, audit);
  if (entries.length > 0) await addToBalances(runner, companyId, entries);
  const { revision, posted } = await numberEntries(runner, companyId, entries, plan.expectedRevision);
  await remakeBroughtIn(
    runner,
    companyId,
    entries.filter(isBroughtIn).map(({ period }) => period),
  );
  if (isStructural) await runner.query('UPDATE company SET structure_version = structure_version + 1 WHERE id = ?', [companyId]);
  const outcome: PostingOutcome = { posted: entries.length > 0 || isStructural, entries: posted, newAccounts: plan.newAccounts.length, revision };
  await recordOutcome(runner, companyId, request, outcome);
  return outcome;
}

async function addAccounts(runner: QueryRunner, structure: Structure, plan: TrialBalancePlan, audit: AuditEvent[]): Promise<Map<string, number>> {
  const companyId = structure.company.id;
  const { numbered } = structure.company;
  const accounts = numbered ? structure.accounts : withPathsAsNumbers(structure.accounts);
  const idOf = new Map([...accountsByNumber(accounts).values()].map((account) => [account.number, account.id]));
  if (plan.newAccounts.length === 0) return idOf;
  const order = structure.company.digitOrder;
  const key = (account: { readonly number: string }): Buffer => Buffer.from(collationKey(account.number, order));
  const added = numbered ? plan.newAccounts.toSorted((a, b) => Buffer.compare(key(a), key(b))) : plan.newAccounts;
  const last = Math.max(0, ...structure.accounts.map(({ position }) => position));
  const positions = numbered
    ? positionsAmong(
        structure.accounts.map((account) => ({ position: account.position, key: key(account) })),
        added.map(key),
      )
    : added.map((_, at) => last + (at + 1) * 1000);
  const ids = await insertAccounts(
    runner,
    companyId,
    added.map(({ name, element, normalSide, ...account }) => ({
      number: numbered ? account.number : '',
      name,
      element,
      normalSide,
      active: true,
      role: null,
      purpose: '',
      externalNumber: '',
    })),
    order,
    positions,
  );
  for (const [at, { number }] of added.entries()) idOf.set(number, ids[at] as number);
  for (const { parentNumber, ...account } of added) {
    const id = idOf.get(account.number) as number;
    const parentId = parentNumber === null ? null : (idOf.get(parentNumber) ?? null);
    if (parentId !== null) await runner.query('UPDATE account SET parent_id = ? WHERE company_id = ? AND id = ?', [parentId, companyId, id]);
    audit.push({ thing: 'account', thingId: id, action: 'added', after: { ...account, number: numbered ? account.number : '', parentId } });
  }
  return idOf;
}

/** New accounts stand behind the last known account with a lower number; positions may repeat, ids then decide. */
function positionsAmong(standing: readonly { position: number; key: Buffer }[], keys: readonly Buffer[]): number[] {
  if (standing.length === 0) return keys.map((_, index) => (index + 1) * 1000);
  const sorted = [...standing].sort((a, b) => Buffer.compare(a.key, b.key));
  let at = -1;
  let within = 0;
  return keys.map((key) => {
    while (at + 1 < sorted.length && Buffer.compare((sorted[at + 1] as { key: Buffer }).key, key) < 0) {
      at++;
      within = 0;
    }
    within++;
    const before = at < 0 ? (sorted[0]?.position ?? 0) - 1_000_000 : (sorted[at]?.position ?? 0);
    return before + within;
  });
}

async function giveRetainedEarnings(
  runner: QueryRunner,
  structure: Structure,
  plan: TrialBalancePlan,
  idOf: ReadonlyMap<string, number>,
  audit: AuditEvent[],
): Promise<void> {
  const id = plan.retainedEarnings === null ? null : (idOf.get(plan.retainedEarnings) ?? null);
  if (id === null || id === structure.retainedEarningsId) return;
  const companyId = structure.company.id;
  const role = 'retained_earnings';
  const former = await takeRole(runner, companyId, role);
  await runner.query('UPDATE account SET role = ?, version = version + 1 WHERE company_id = ? AND id = ?', [role, companyId, id]);
  audit.push({ thing: 'account', thingId: id, action: 'changed', before: { role: null }, after: { role } });
  for (const thingId of former) audit.push({ thing: 'account', thingId, action: 'changed', before: { role }, after: { role: null } });
}

async function placeAccounts(
  runner: QueryRunner,
  structure: Structure,
  plan: TrialBalancePlan,
  idOf: ReadonlyMap<string, number>,
  audit: AuditEvent[],
): Promise<void> {
  const companyId = structure.company.id;
  for (const { element, path, numbers } of plan.places) {
    const categoryId = await addCategoryPath(runner, structure, element, path, audit);
    const ids = numbers.map((number) => idOf.get(number)).filter((id) => id !== undefined);
    await insertRows(
      runner,
      'place (company_id, account_id, classification_id, side, category_id)',
      ids.map((id) => [companyId, id, structure.classificationId, 'any', categoryId]),
    );
    for (const id of ids) audit.push({ thing: 'place', thingId: id, action: 'added', after: { side: 'any', categoryId } });
  }
}

async function entriesOf(
  runner: QueryRunner,
  counters: Counters,
  companyId: number,
  calendar: FiscalCalendar,
  plan: TrialBalancePlan,
  idOf: ReadonlyMap<string, number>,
  facetSetOf: (accountId: number) => number,
  trialBalanceId: number | null,
): Promise<EntryToWrite[]> {
  const entries: EntryToWrite[] = [];
  const push = async (entry: Omit<EntryToWrite, 'id' | 'period' | 'balancePeriod' | 'trialBalanceId'>): Promise<void> => {
    const period = calendar.periods[periodIndexOf(calendar, entry.date)];
    if (!period) throw new Refused({ code: 'day_outside_calendar', day: entry.date, year: entry.date.slice(0, 4) });
    const closed = entry.closesYear === null ? null : calendar.years.find((year) => year.year === entry.closesYear);
    const balancePeriod = closed?.periods.at(-1) ?? period;
    entries.push({ ...entry, id: await counters.next('entry'), period, balancePeriod, trialBalanceId });
  };
  for (const { date, closesYear, description, lines } of plan.entries)
    await push({
      date,
      closesYear,
      description,
      layer: 'ledger',
      source: 'trial_balance',
      reversesEntryId: null,
      lines: lines.map(({ number, net }) => {
        const accountId = idOf.get(number) as number;
        return { accountId, debit: net > 0n ? net : 0n, credit: net < 0n ? -net : 0n, text: '', facetSetId: facetSetOf(accountId) };
      }),
    });
  for (const entryId of plan.withdraw) {
    const rows = await rowsOf<{ accountId: number; debit: string; credit: string; text: string; facetSetId: number; documentNumber: string }>(
      runner,
      `SELECT line.account_id AS accountId, line.debit, line.credit, line.text, line.facet_set_id AS facetSetId, entry.document_number AS documentNumber
         FROM journal_line AS line JOIN journal_entry AS entry ON entry.company_id = line.company_id AND entry.id = line.entry_id
        WHERE line.company_id = ? AND line.entry_id = ? ORDER BY line.line_number`,
      [companyId, entryId],
    );
    await push({
      date: plan.day,
      closesYear: null,
      description: `Withdrawn: the trial balance holds what ${rows[0]?.documentNumber ?? ''} adjusted`,
      layer: 'adjustment',
      source: 'reversal',
      reversesEntryId: entryId,
      lines: rows.map(({ accountId, debit, credit, text, facetSetId }) => ({ accountId, debit: BigInt(credit), credit: BigInt(debit), text, facetSetId })),
    });
  }
  return entries;
}
