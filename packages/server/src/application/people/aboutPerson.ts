import type { AccessEvent, Person } from '../ports/index.ts';

/** What somebody does themselves, for the record of who came in; `null`: somebody who is not known. */
export function about(person: Person | null, origin: string): Omit<AccessEvent, 'kind'> {
  return { actorId: person?.id ?? null, personId: person?.id ?? null, companyId: null, origin, facts: {} };
}
