import { type Day, fail, keepLaterBalances, type Outcome, type ProposedEntry, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, BroughtInRecord, EntryRecord, Ports, PostedEntry, Request, TakingBackPlan } from '../ports/index.ts';

/** What taking a trial balance back would post. */
export interface TakingBack {
  readonly file: BroughtInRecord;
  /** Each of its entries with all sides changed. */
  readonly reversed: readonly { readonly date: Day; readonly documentNumber: string; readonly lines: number; readonly amount: bigint }[];
  /** Entries that keep the balances of files which met this one, by their days. */
  readonly kept: readonly { readonly date: Day; readonly fileName: string; readonly lines: number }[];
  readonly plan: TakingBackPlan;
}

/** What taking it back would do, without doing it. */
export async function viewTakingBack(ports: Ports, { companyId }: Access<'prepare_entries'>, trialBalanceId: number): Promise<Outcome<TakingBack, Failure>> {
  const opened = await openBooks(ports, companyId);
  return opened.ok ? planTakingBack(ports, opened.value, trialBalanceId) : opened;
}

/**
 * Reverses every entry that a trial balance posted, on its own day, and keeps the balances of files that were brought in behind it, whose
 * entries are differences from what it left: as if it had never come. Once for each.
 */
export function takeBackTrialBalance(
  ports: Ports,
  { companyId }: Access<'prepare_entries'>,
  trialBalanceId: number,
  request: Request,
): Promise<Outcome<{ readonly entries: readonly PostedEntry[]; readonly revision: number }, Failure>> {
  return withFreshBooks(async () => {
    const before = await ports.ledger.earlierOutcome(companyId, request);
    if (before) return before as Outcome<{ entries: PostedEntry[]; revision: number }, Failure>;
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const planned = await planTakingBack(ports, opened.value, trialBalanceId);
    return planned.ok ? ports.ledger.takeBackTrialBalance(companyId, planned.value.plan, request) : planned;
  });
}

async function planTakingBack(ports: Pick<Ports, 'ledger'>, books: Books, trialBalanceId: number): Promise<Outcome<TakingBack, Failure>> {
  const { company, cube, traits, calendar } = books;
  const files = await ports.ledger.broughtIn(company.id);
  const file = files.find(({ id }) => id === trialBalanceId);
  if (!file) return fail({ code: 'not_found', thing: 'trial_balance', id: trialBalanceId });
  if (file.takenBack !== null) return fail({ code: 'trial_balance_taken_back', by: file.takenBack.by });
  const isAlone = !files.some(({ id, day, takenBack }) => id !== file.id && day === file.day && takenBack === null);
  // What others posted on its day keeps its balances there; without them it goes with it.
  const posted = files.flatMap((other) => other.entries.filter(({ date }) => other.id === file.id || (isAlone && date === file.day)));
  const entries: EntryRecord[] = [];
  for (const { entryId } of posted) {
    const entry = await ports.ledger.entry(company.id, entryId);
    // What was reversed before, with the file of its day, is not reversed twice; an adjustment that was withdrawn is put back.
    if (entry && entry.reversedBy === null && (entry.reversesEntryId === null || entry.layer === 'adjustment')) entries.push(entry);
  }
  const reversals = entries
    .filter(({ layer }) => layer === 'ledger')
    .map(({ date, closesYear, lines }): ProposedEntry => {
      const net = new BigInt64Array(cube.accountIds.length);
      for (const { accountId, debit, credit } of lines) {
        const at = cube.indexOf.get(accountId) as number;
        net[at] = (net[at] as bigint) + credit - debit;
      }
      return { day: date, closesYear, purpose: 'differences', lines: net };
    });
  // Of several for one day the one that was brought in last stands.
  const behind = files.filter(({ id, day, takenBack }) => takenBack === null && (day > file.day || (day === file.day && id > file.id)));
  const later = [...new Map(behind.map((other) => [other.day, other])).values()].sort((a, b) => (a.day < b.day ? -1 : 1));
  const keeping = keepLaterBalances(
    reversals,
    later.map(({ day, figures }) => ({ day, kind: figures })),
    calendar,
    traits,
  );
  const nameOf = (day: Day): string => later.find((other) => other.day === day)?.fileName ?? '';
  return succeed({
    file,
    reversed: entries.map(({ date, documentNumber, lines }) => ({
      date,
      documentNumber,
      lines: lines.length,
      amount: lines.reduce((sum, { debit }) => sum + debit, 0n),
    })),
    kept: keeping.map(({ day, lines }) => ({ date: day, fileName: nameOf(day), lines: lines.reduce((count, net) => (net === 0n ? count : count + 1), 0) })),
    plan: {
      trialBalanceId,
      expectedRevision: cube.revision,
      reversed: entries.map(({ id }) => id),
      description: `Taken back: the trial balance at ${file.day}: ${file.fileName}`,
      kept: keeping.map(({ day, closesYear, lines }) => ({
        date: day,
        closesYear,
        description: `Keeps the balances of ${nameOf(day)}, after ${file.fileName} was taken back`,
        lines: [...lines].flatMap((net, at) => (net === 0n ? [] : [{ accountId: cube.accountIds[at] as number, net }])),
      })),
    },
  });
}
