import { type FacetFilter, fail, type ListKey, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Books, Ports, Structure } from '../ports/index.ts';

export async function openBooks({ ledger }: Pick<Ports, 'ledger'>, companyId: number): Promise<Outcome<Books, Failure>> {
  const books = await ledger.books(companyId);
  return books ? succeed(books) : fail({ code: 'not_found', thing: 'company', id: companyId });
}

/** Chart and calendar alone: enough to post on, without the balances that every posting moves. */
export async function openStructure({ ledger }: Pick<Ports, 'ledger'>, companyId: number): Promise<Outcome<Structure, Failure>> {
  const structure = await ledger.structure(companyId);
  return structure ? succeed(structure) : fail({ code: 'not_found', thing: 'company', id: companyId });
}

/** The books with lines of some facet values alone; all lines where no facet is asked about. */
export async function openBooksOf({ ledger }: Pick<Ports, 'ledger'>, companyId: number, filter: FacetFilter): Promise<Outcome<Books, Failure>> {
  for (let attempt = 1; attempt <= 6; attempt++) {
    const opened = await openBooks({ ledger }, companyId);
    if (!opened.ok || Object.keys(filter).length === 0) return opened;
    const refused = unknownIn(filter, opened.value);
    if (refused) return fail(refused);
    const narrowed = await ledger.narrow(opened.value, filter);
    if (narrowed) return succeed(narrowed);
  }
  return fail({ code: 'busy' });
}

export function unknownIn(filter: FacetFilter, { lists }: Books): Failure | null {
  for (const [key, values] of Object.entries(filter) as [ListKey, readonly string[]][]) {
    const facet = lists.find((list) => list.key === key && list.kind === 'facet');
    if (!facet) return { code: 'facet_unknown', facet: key };
    const unknown = values.find((value) => value !== '' && !facet.codes.some(({ code }) => code === value));
    if (unknown !== undefined) return { code: 'facet_value_unknown', facet: facet.name, value: unknown };
  }
  return null;
}

/** Repeats a use case that was computed from books which somebody changed meanwhile. */
export async function withFreshBooks<Value>(work: () => Promise<Outcome<Value, Failure>>): Promise<Outcome<Value, Failure>> {
  for (let attempt = 1; ; attempt++) {
    const outcome = await work();
    if (outcome.ok || outcome.failure.code !== 'ledger_moved_on' || attempt === 6) return outcome;
  }
}
