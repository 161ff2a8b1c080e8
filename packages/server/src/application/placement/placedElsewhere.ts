import { type Element, findCategoryPath, type Outcome, type PlacedElsewhere, pathOf, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, openStructure } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { ChartAccount, Identity, Ports, Structure } from '../ports/index.ts';

const mostCompanies = 20;

/** Of unplaced accounts: where other companies that somebody belongs to have the same one, if the category is at the same path here. */
export async function listPlacedElsewhere(
  ports: Ports,
  { companyId }: Access,
  { memberships }: Identity,
): Promise<Outcome<readonly PlacedElsewhere[], Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const open = new Map(books.accounts.filter(({ id }) => !books.portions.has(id)).map((account) => [sameAs(account), account.id]));
  if (open.size === 0) return succeed([]);
  const found: PlacedElsewhere[] = [];
  const others = Object.keys(memberships)
    .map(Number)
    .filter((id) => id !== companyId);
  for (const otherId of others.slice(0, mostCompanies)) {
    const other = await openStructure(ports, otherId);
    if (!other.ok) continue;
    for (const account of other.value.accounts) {
      const accountId = open.get(sameAs(account));
      const path = accountId === undefined ? null : pathIn(other.value, account);
      const there = path && findCategoryPath(books.categoryTree, account.element, path);
      if (accountId !== undefined && path && there?.node && there.found === path.length)
        found.push({ company: other.value.company.name, accountId, categoryId: there.node.category.id });
    }
  }
  return succeed(found);
}

/** Accounts of two charts are the same by element and name; numbers differ from company to company. */
function sameAs({ element, name }: { readonly element: Element; readonly name: string }): string {
  return `${element} ${name.toLowerCase()}`;
}

function pathIn({ portions, categoryTree }: Structure, account: ChartAccount): string[] | null {
  const stands = portions.get(account.id);
  const node = categoryTree.nodes.get(stands?.debit ?? stands?.credit ?? 0);
  return node && node.category.element === account.element ? pathOf(node) : null;
}
