import type { QueryRunner } from 'typeorm';
import type { Actor, NewEntry, NewLine } from '../../application/ports/index.ts';
import { noFacets, searchRows } from '../books/index.ts';
import { type AuditEvent, inOneTrip, insertions, Refused, rowsOf, type Statement, timestamp } from '../database/index.ts';

/** Of entries that bear the company's plain numbers. */
export const plainNumbers = 0;

export interface EntryToWrite extends Omit<NewEntry, 'lines'> {
  readonly id: number;
  /** Period of the date; a closing entry stands in the last period of the year it closes. */
  readonly period: { readonly year: number; readonly number: number };
  readonly balancePeriod: { readonly year: number; readonly number: number };
  readonly trialBalanceId: number | null;
  readonly lines: readonly (Omit<NewLine, 'facets'> & { readonly facetSetId: number })[];
}

/** Whether a trial balance posted it as ordinary lines of the ledger, which count as their net of each day. */
export function isBroughtIn({ trialBalanceId, layer, closesYear }: Pick<EntryToWrite, 'trialBalanceId' | 'layer' | 'closesYear'>): boolean {
  return trialBalanceId !== null && layer === 'ledger' && closesYear === null;
}

/** What history tells of a posting: enough to know the entry by. */
export function postedEvent({ id, date, layer, description, lines }: EntryToWrite): AuditEvent {
  return { thing: 'entry', thingId: id, action: 'posted', after: { date, layer, text: description, lines: lines.length } };
}

/** Where entries that close a year stand, whatever day they bear. */
export async function lastPeriodOf(runner: QueryRunner, companyId: number, year: number): Promise<{ year: number; number: number }> {
  const [row] = await rowsOf<{ number: number }>(runner, 'SELECT MAX(number) AS number FROM fiscal_period WHERE company_id = ? AND year = ?', [
    companyId,
    year,
  ]);
  return { year, number: Number(row?.number ?? 12) };
}

/** The rows of the periods, shared: locking a period takes them exclusively and so waits for postings under way. */
export async function lockPeriods(runner: QueryRunner, companyId: number, entries: readonly Pick<EntryToWrite, 'period' | 'date'>[]): Promise<void> {
  const keys = new Map(entries.map(({ period, date }) => [`${period.year}.${period.number}`, { period, date }]));
  for (const { period, date } of [...keys.values()].sort((a, b) => a.period.year - b.period.year || a.period.number - b.period.number)) {
    const [row] = await rowsOf<{ lockedAt: string | null }>(
      runner,
      'SELECT locked_at AS lockedAt FROM fiscal_period WHERE company_id = ? AND year = ? AND number = ? LOCK IN SHARE MODE',
      [companyId, period.year, period.number],
    );
    if (!row) throw new Refused({ code: 'day_outside_calendar', day: date, year: String(period.year) });
    if (row.lockedAt !== null) throw new Refused({ code: 'period_locked', day: date });
  }
}

/** Accounts in id order, shared; each must take postings. `generated` lines may still correct a parent's own amount. */
export async function lockAccounts(runner: QueryRunner, companyId: number, accountIds: readonly number[], generated: boolean): Promise<void> {
  const ids = [...new Set(accountIds)].sort((a, b) => a - b);
  if (ids.length === 0) return;
  const rows = await rowsOf<{ id: number; number: string; active: number; isParent: string }>(
    runner,
    `SELECT id, COALESCE(number, name) AS number, active,
            EXISTS (SELECT 1 FROM account AS child WHERE child.company_id = account.company_id AND child.parent_id = account.id) AS isParent
       FROM account WHERE company_id = ? AND id IN (${ids.map(() => '?').join(', ')}) ORDER BY id LOCK IN SHARE MODE`,
    [companyId, ...ids],
  );
  const found = new Set(rows.map((row) => row.id));
  const missing = ids.find((id) => !found.has(id));
  if (missing !== undefined) throw new Refused({ code: 'account_unknown', accountId: missing });
  if (generated) return;
  const inactive = rows.find((row) => row.active !== 1);
  if (inactive) throw new Refused({ code: 'account_takes_no_postings', accountId: inactive.id, number: inactive.number, reason: 'inactive' });
  const parent = rows.find((row) => Number(row.isParent) === 1);
  if (parent) throw new Refused({ code: 'account_takes_no_postings', accountId: parent.id, number: parent.number, reason: 'parent' });
}

/** Entries with a provisional document number and revision, which both are set with the company row at the end. */
export function insertEntries(runner: QueryRunner, companyId: number, actor: Actor, entries: readonly EntryToWrite[]): Promise<void> {
  return inOneTrip(runner, entriesOf(companyId, actor, entries));
}

/** The statements of `insertEntries`. */
export function entriesOf(companyId: number, actor: Actor, entries: readonly EntryToWrite[]): Statement[] {
  const at = timestamp();
  return [
    ...insertions(
      'journal_entry (company_id, id, entry_date, year, period, document_number, description, layer, source, closes_year, reverses_entry_id, trial_balance_id, series_id, opening, revision, posted_at, posted_by, posted_by_id)',
      entries.map((entry) => [
        companyId,
        entry.id,
        entry.date,
        entry.period.year,
        entry.period.number,
        '',
        entry.description,
        entry.layer,
        entry.source,
        entry.closesYear,
        entry.reversesEntryId,
        entry.trialBalanceId,
        entry.seriesId ?? plainNumbers,
        entry.isOpening ? 1 : 0,
        0,
        at,
        actor.name,
        actor.personId,
      ]),
    ),
    ...insertions(
      'journal_line (company_id, entry_id, line_number, account_id, entry_date, layer, closing, debit, credit, text, facet_set_id)',
      entries.flatMap((entry) =>
        entry.lines.map((line, index) => [
          companyId,
          entry.id,
          index + 1,
          line.accountId,
          entry.date,
          entry.layer,
          entry.closesYear === null ? 0 : 1,
          line.debit.toString(),
          line.credit.toString(),
          line.text,
          line.facetSetId,
        ]),
      ),
    ),
    ...insertions('foreign_amount (company_id, entry_id, line_number, currency, amount, rate)', foreignRows(companyId, entries)),
    ...searchRows(companyId, actor, entries),
  ];
}

/** Beside the lines that have one. */
function foreignRows(companyId: number, entries: readonly EntryToWrite[]): unknown[][] {
  return entries.flatMap(({ id, lines }) =>
    lines.flatMap(({ foreign }, index) => (foreign ? [[companyId, id, index + 1, foreign.currency, foreign.amount.toString(), foreign.rate ?? '']] : [])),
  );
}

/**
 * To both derived tables, netted per key and in key order, which is what keeps concurrent postings from deadlocking. What a trial balance
 * posts into its day is not added up, but made anew (`remakeBroughtIn`).
 */
export function addToBalances(runner: QueryRunner, companyId: number, entries: readonly EntryToWrite[]): Promise<void> {
  return inOneTrip(runner, balancesOf(companyId, entries));
}

/** The statements of `addToBalances`. */
export function balancesOf(companyId: number, all: readonly EntryToWrite[]): Statement[] {
  const entries = all.filter((entry) => !isBroughtIn(entry));
  const keys = (entry: EntryToWrite, { accountId }: { readonly accountId: number }) => [
    entry.layer,
    entry.closesYear === null ? 'ordinary' : 'closing',
    accountId,
    entry.balancePeriod.year,
    entry.balancePeriod.number,
  ];
  return [
    ...insertions(
      'balance (company_id, scenario, layer, origin, account_id, year, period, debit, credit)',
      summed(entries, (entry, line) => [companyId, 0, ...keys(entry, line)]),
      addUp,
    ),
    ...insertions(
      'facet_balance (company_id, facet_set_id, layer, origin, account_id, year, period, debit, credit)',
      summed(entries, (entry, line) => (line.facetSetId === noFacets ? null : [companyId, line.facetSetId, ...keys(entry, line)])),
      addUp,
    ),
  ];
}

const addUp = 'ON DUPLICATE KEY UPDATE debit = debit + VALUES(debit), credit = credit + VALUES(credit)';

type KeyPart = string | number;
type LineToWrite = EntryToWrite['lines'][number];

/** Rows of a derived table in the order of its key; lines with no key (`null`) are not in it. */
function summed(entries: readonly EntryToWrite[], keyOf: (entry: EntryToWrite, line: LineToWrite) => readonly KeyPart[] | null): (readonly unknown[])[] {
  const sums = new Map<string, { key: readonly KeyPart[]; debit: bigint; credit: bigint }>();
  for (const entry of entries)
    for (const line of entry.lines) {
      const key = keyOf(entry, line);
      if (key === null) continue;
      const text = key.map((part) => (typeof part === 'number' ? String(part).padStart(10, '0') : part)).join('|');
      const sum = sums.get(text) ?? { key, debit: 0n, credit: 0n };
      sum.debit += line.debit;
      sum.credit += line.credit;
      sums.set(text, sum);
    }
  return [...sums.entries()].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, { key, debit, credit }]) => [...key, debit.toString(), credit.toString()]);
}
