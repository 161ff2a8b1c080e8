import { fail, type Outcome } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { accountsById, openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports, ReasonChange } from '../ports/index.ts';

/** Leaves accounts out of the coverage of a classification or of a code list, with a reason; none: takes them in again. Gives how many. */
export function setExclusions(
  ports: Ports,
  { companyId, actor }: Access<'keep_placement'>,
  { scope, accountIds, ...reasons }: { readonly scope: string; readonly accountIds: readonly number[] } & ReasonChange,
): Promise<Outcome<number, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    if (!isScope(books, scope) && !(await isLayout(ports, companyId, scope)))
      return fail({ code: 'not_found', thing: 'coverage', id: Number(scope.replace(/^\D+/, '')) });
    const byId = accountsById(books);
    const unknown = accountIds.find((id) => !byId.has(id));
    if (unknown !== undefined) return fail({ code: 'account_unknown', accountId: unknown });
    return ports.placement.setExclusions(companyId, scope, [...new Set(accountIds)], reasons, books.company.structureVersion, actor);
  });
}

function isScope({ classifications, lists }: Books, scope: string): boolean {
  return classifications.some(({ id }) => scope === `classification:${id}`) || lists.some(({ kind, key }) => kind === 'report' && key === scope);
}

async function isLayout({ layouts }: Ports, companyId: number, scope: string): Promise<boolean> {
  const [, id] = /^layout:(\d+)$/.exec(scope) ?? [];
  return id !== undefined && (await layouts.record(companyId, Number(id))) !== null;
}
