import { type Day, fail, type Outcome } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openStructure, withFreshBooks } from '../books/index.ts';
import { openAdjustingPeriodOn, openPeriodOn } from '../companies/index.ts';
import type { Failure } from '../failure.ts';
import type { NewEntry, Ports, PostedEntry, Request } from '../ports/index.ts';

/**
 * An entry with the sides of all lines changed, which names the one it reverses: posted entries never change. Each is
 * reversed once, on its own day or a later one; what came with a trial balance is not, since the file fixes its balances.
 */
export function reverseEntry(
  ports: Ports,
  { companyId }: Access<'prepare_entries'>,
  entryId: number,
  date: Day,
  request: Request,
): Promise<Outcome<PostedEntry & { revision: number }, Failure>> {
  // Where somebody else reverses it in this moment, it is looked at once more and found reversed.
  return withFreshBooks(() => reverseOnce(ports, companyId, entryId, date, request));
}

async function reverseOnce(
  ports: Ports,
  companyId: number,
  entryId: number,
  date: Day,
  request: Request,
): Promise<Outcome<PostedEntry & { revision: number }, Failure>> {
  const before = await ports.ledger.earlierOutcome(companyId, request);
  if (before) return before as Outcome<PostedEntry & { revision: number }, Failure>;
  const opened = await openStructure(ports, companyId);
  if (!opened.ok) return opened;
  const entry = await ports.ledger.entry(companyId, entryId);
  if (!entry) return fail({ code: 'not_found', thing: 'entry', id: entryId });
  if (entry.reversedBy !== null) return fail({ code: 'entry_not_reversible', reason: 'reversed', documentNumber: entry.reversedBy.documentNumber });
  if (entry.source === 'trial_balance') return fail({ code: 'entry_not_reversible', reason: 'trial_balance', documentNumber: entry.documentNumber });
  if (date < entry.date) return fail({ code: 'entry_not_reversible', reason: 'earlier', documentNumber: entry.documentNumber });
  // On its own day it goes where the entry stands.
  const period = entry.isAdjusting && date === entry.date ? openAdjustingPeriodOn(opened.value, date) : openPeriodOn(opened.value, date);
  if (!period.ok) return period;
  const reversal: NewEntry = {
    date,
    description: `Reverses document ${entry.documentNumber}${entry.description === '' ? '' : `: ${entry.description}`}`.slice(0, 500),
    layer: entry.layer,
    source: 'reversal',
    closesYear: entry.closesYear,
    reversesEntryId: entry.id,
    isOpening: entry.isOpening && date === entry.date,
    seriesId: entry.series,
    lines: entry.lines.map(({ accountId, debit, credit, text, facets, foreign }) => ({ accountId, debit: credit, credit: debit, text, facets, foreign })),
  };
  return ports.ledger.post(companyId, reversal, period.value, request);
}
