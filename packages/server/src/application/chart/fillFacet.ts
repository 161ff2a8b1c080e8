import { fail, numberKey, type Outcome, rangeTest, readRangeText, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, FacetFill, FacetFillFound, Ports } from '../ports/index.ts';

export interface FacetFillRule {
  readonly listId: number;
  readonly value: string;
  /** Account numbers, as `4000 to 4999`; empty for all. */
  readonly accounts: string;
  readonly from: string | null;
  readonly to: string | null;
}

export interface FacetFillView {
  readonly books: Books;
  readonly found: readonly FacetFillFound[];
}

/** Which lines of the past would get a value: those of these accounts and days that have none of the facet. Nothing is changed. */
export async function checkFacetFill(ports: Ports, { companyId }: Access<'keep_chart'>, rule: FacetFillRule): Promise<Outcome<FacetFillView, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const fill = fillOf(opened.value, rule);
  if (!fill.ok) return fill;
  return succeed({ books: opened.value, found: await ports.codeLists.findLinesToFill(companyId, fill.value) });
}

/** On record with the rule; amounts and entries stay as they are, whatever periods are locked. Gives how many lines got the value. */
export function applyFacetFill(ports: Ports, { companyId, actor }: Access<'keep_chart'>, rule: FacetFillRule): Promise<Outcome<number, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const fill = fillOf(opened.value, rule);
    if (!fill.ok) return fill;
    return ports.codeLists.fillLines(companyId, fill.value, rule.accounts, opened.value.company.structureVersion, actor);
  });
}

function fillOf({ lists, accounts, company }: Books, { listId, value, accounts: text, from, to }: FacetFillRule): Outcome<FacetFill, Failure> {
  const facet = lists.find(({ id, kind }) => id === listId && kind === 'facet');
  if (!facet) return fail({ code: 'not_found', thing: 'code_list', id: listId });
  if (!facet.codes.some(({ code }) => code === value)) return fail({ code: 'facet_value_unknown', facet: facet.name, value });
  const read = text.trim() === '' ? null : readRangeText(text, company.digitOrder);
  if (read && !read.ok) return fail({ code: 'facet_range_malformed', field: 'accounts', at: read.failure.at, reason: read.failure.reason });
  const holds = read ? rangeTest(read.value, company.digitOrder) : () => true;
  const accountIds = accounts.filter(({ number }) => holds(numberKey(number, company.digitOrder))).map(({ id }) => id);
  return succeed({ facet: facet.key, value, accountIds, from, to });
}
