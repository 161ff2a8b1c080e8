import { type DigitOrder, layoutFollowing, type NumberFollowed } from '@ivory-ladder/core';
import type { Books, KeptLayout, Ports } from '../ports/index.ts';

/** Layouts that take other texts of numbers, so that each line goes on taking the accounts that it takes: what runs, and what is drafted. */
export async function layoutsKeptBy(
  { layouts }: Pick<Ports, 'layouts'>,
  { company, accounts }: Books,
  numbers: ReadonlyMap<number, string>,
  digitOrder: DigitOrder = company.digitOrder,
): Promise<KeptLayout[]> {
  const followed = accounts.map(({ id, number }): NumberFollowed => ({ before: number, after: numbers.get(id) ?? number }));
  const order = { before: company.digitOrder, after: digitOrder };
  const kept: KeptLayout[] = [];
  for (const record of await layouts.list(company.id)) {
    const stored = await layouts.find(company.id, record.id);
    if (!stored) continue;
    const { draft, used, version } = stored;
    const [own, running] = [draft && layoutFollowing(draft, followed, order), used && layoutFollowing(used, followed, order)];
    if (own !== draft || running !== used) kept.push({ id: record.id, version, draft: own === draft ? null : own, used: running === used ? null : running });
  }
  return kept;
}

/** What those run as, by id. */
export function runningAs(kept: readonly KeptLayout[]) {
  return new Map(kept.flatMap(({ id, used }) => (used ? [[id, used] as const] : [])));
}
