import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from './failure.ts';
import type { Books, Ports } from './ports/index.ts';

export async function openBooks({ ledger }: Pick<Ports, 'ledger'>, companyId: number): Promise<Outcome<Books, Failure>> {
  const books = await ledger.books(companyId);
  return books ? succeed(books) : fail({ code: 'not_found', thing: 'company', id: companyId });
}

/** Repeats a use case that was computed from books which somebody changed meanwhile. */
export async function withFreshBooks<Value>(work: () => Promise<Outcome<Value, Failure>>): Promise<Outcome<Value, Failure>> {
  for (let attempt = 1; ; attempt++) {
    const outcome = await work();
    if (outcome.ok || outcome.failure.code !== 'ledger_moved_on' || attempt === 6) return outcome;
  }
}
