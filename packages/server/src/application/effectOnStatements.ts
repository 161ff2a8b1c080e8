import {
  type Account,
  buildAccountTree,
  buildCategoryTree,
  type Category,
  changedLines,
  columnsFor,
  type LayoutKind,
  layers,
  movementOver,
  type Place,
  presentRows,
  type Span,
  type StatementRow,
  standingOf,
  traitsOf,
} from '@ivory-ladder/core';
import { accountsInOrder } from './accountsInOrder.ts';
import { partialsFor } from './partialLines.ts';
import type { Books, NewEntry, Ports } from './ports/index.ts';
import { balancesFor, layoutsOf, runBalances } from './prepareStatement.ts';

export interface EffectRow {
  readonly kind: LayoutKind;
  readonly caption: string;
  readonly role: StatementRow['role'];
  /** As shown; `null` where the line is not there. */
  readonly before: bigint | null;
  readonly after: bigint | null;
}

export interface ChartAfter {
  /** Accounts that are there now, as they would be; those yet to be made bear no amount and are left out. */
  readonly accounts: readonly Account[];
  readonly categories: readonly Category[];
  readonly places: readonly Place[];
}

/** The books as they would stand with another chart or placement and the same lines. */
export function booksAfter(books: Books, { accounts, categories, places }: ChartAfter): Books {
  const byId = new Map(accounts.map((account) => [account.id, account]));
  const kept = books.accounts.map((account) => ({ ...account, ...byId.get(account.id) }));
  const categoryTree = buildCategoryTree(categories);
  const retained = kept.find(({ role }) => role === 'retained_earnings')?.id ?? null;
  return {
    ...books,
    accounts: kept,
    tree: buildAccountTree(kept),
    categories: categories.map((category) => ({ nature: null, note: '', description: '', ranges: [], captions: [], ...category, version: 0 })),
    categoryTree,
    places,
    ...standingOf(kept, places, books.ranges, categoryTree, books.company.digitOrder),
    retainedEarningsId: retained,
    traits: traitsOf(
      books.cube.accountIds.map((id) => byId.get(id) as Account),
      retained,
    ),
  };
}

/** The lines of both statements whose figure, caption or presence would change, in their order; `entries` are posted with it. */
export async function effectOnStatements(
  ports: Pick<Ports, 'ledger'>,
  before: Books,
  after: Books,
  span: Span,
  entries: readonly NewEntry[] = [],
): Promise<EffectRow[]> {
  const partial = await partialsFor(ports, before, [span]);
  const rowsOf = (books: Books, kind: LayoutKind): StatementRow[] => {
    const compiled = layoutsOf(books)[kind];
    const held =
      kind === 'balance_sheet' ? balancesFor(books, span.lastDay, partial) : { net: movementOver(books.cube, layers, span, partial), notAllotted: 0n };
    const balances = books === after ? { ...held, net: withEntries(books, held.net, entries, kind, span) } : held;
    return presentRows({
      compiled,
      columns: columnsFor(kind, span, null),
      runs: [runBalances(compiled, books, balances)],
      accounts: accountsInOrder(books),
      detail: { rungs: Number.MAX_SAFE_INTEGER, opened: new Set(), shut: new Set(), zeroLines: false },
    });
  };
  return (['balance_sheet', 'income_statement'] as const).flatMap((kind) => differing(kind, rowsOf(before, kind), rowsOf(after, kind)));
}

/** Entries at days of the column; none of them touches an account whose own balance begins anew between. */
function withEntries({ cube }: Books, net: BigInt64Array, entries: readonly NewEntry[], kind: LayoutKind, span: Span): BigInt64Array {
  const sum = net.slice();
  for (const { date, lines } of entries) {
    if (date > span.lastDay || (kind === 'income_statement' && date < span.firstDay)) continue;
    for (const { accountId, debit, credit } of lines) {
      const at = cube.indexOf.get(accountId) as number;
      sum[at] = (sum[at] as bigint) + debit - credit;
    }
  }
  return sum;
}

function differing(kind: LayoutKind, before: readonly StatementRow[], after: readonly StatementRow[]): EffectRow[] {
  return changedLines(kind, before, after)
    .map((line) => ({ kind, caption: line.caption, role: line.role, before: line.before?.[0] ?? null, after: line.after?.[0] ?? null }))
    .filter((line) => line.before !== line.after);
}
