import {
  type FacetFilter,
  fail,
  layers,
  movementOver,
  type Outcome,
  ordinaryPeriods,
  type Period,
  readBudgetSheet,
  succeed,
  withPathsAsNumbers,
  yearName,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, openBooksOf } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Budget, BudgetAmount, BudgetGrid, BudgetGridAccount, ChartAccount, Ports, StoredFile } from '../ports/index.ts';
import { checkPart, findBudget, listBudgets } from './budgets.ts';

export type BudgetAgainst = 'actual' | 'year_before' | number;

/** Accounts in chart order; retired ones only where they have an amount. `part`: `undefined` for all parts together. */
export async function viewBudget(
  ports: Ports,
  access: Access,
  budgetId: number,
  { part, against }: { readonly part?: string | undefined; readonly against?: BudgetAgainst | undefined },
): Promise<Outcome<BudgetGrid, Failure>> {
  const { companyId } = access;
  const [all, opened] = [await listBudgets(ports, access), await openBooks(ports, companyId)];
  if (!all.ok) return all;
  if (!opened.ok) return opened;
  const budget = all.value.find(({ id }) => id === budgetId);
  if (!budget) return fail({ code: 'not_found', thing: 'budget', id: budgetId });
  const refused = part === undefined ? null : checkPart(opened.value, budget, part);
  if (refused) return fail(refused);
  // Postings of the same part: with the value, or without one.
  const filter: FacetFilter = part === undefined || budget.facet === null ? {} : { [budget.facet]: [part] };
  const narrowed = await openBooksOf(ports, companyId, filter);
  if (!narrowed.ok) return narrowed;
  const books = narrowed.value;
  const periods = periodsOf(books, budget.year);
  const budgeted = (of: Budget, ofPart: string | undefined) =>
    ports.budgets.amounts(companyId, of, ofPart ?? null).then((amounts) => byAccount(amounts, periods));
  const own = await budgeted(budget, part);
  const posted = (year: number) => postedIn(books, year, periods.length);
  const before = posted(budget.year - 1);
  const other = typeof against === 'number' ? all.value.find(({ id }) => id === against) : undefined;
  if (typeof against === 'number' && !other) return fail({ code: 'not_found', thing: 'budget', id: against });
  // Another budget may stand apart by another facet: then all its parts are compared with.
  const beside = other ? await budgeted(other, other.facet === budget.facet ? part : undefined) : against === 'actual' ? posted(budget.year) : before;
  const accounts = books.tree.order.flatMap((account, at): BudgetGridAccount[] => {
    const amounts = own(account.id);
    const compared = against === undefined ? [] : (beside?.(account.id) ?? periods.map(() => 0n));
    if (!account.active && [...amounts, ...compared].every((amount) => amount === 0n)) return [];
    return [
      {
        account: account as ChartAccount,
        depth: books.tree.depth[at] as number,
        isParent: books.tree.isParent[at] as boolean,
        amounts,
        yearBefore: before?.(account.id) ?? [],
        against: compared,
      },
    ];
  });
  return succeed({ books, budget, periods, accounts, againstName: nameOf(books, budget, against, other), partName: partNameOf(books, budget, part) });
}

/** What a workbook of the budget holds; nothing is changed by it. */
export async function readBudgetWorkbook(
  ports: Ports,
  { companyId }: Access<'keep_budgets_and_rates'>,
  budgetId: number,
  file: StoredFile,
): Promise<Outcome<ReturnType<typeof readBudgetSheet>, Failure>> {
  const [opened, found] = [await openBooks(ports, companyId), await findBudget(ports, companyId, budgetId)];
  if (!opened.ok) return opened;
  if (!found.ok) return found;
  const { accounts, tree, company } = opened.value;
  const isParent = new Map(tree.order.map(({ id }, at) => [id, tree.isParent[at] as boolean]));
  const accountsOfSheet = (company.numbered ? accounts : withPathsAsNumbers(accounts)).map((account) => ({
    ...account,
    isParent: isParent.get(account.id) ?? false,
  }));
  const table = await ports.tables.readOnce(file);
  if (!table.ok) return table;
  return succeed(readBudgetSheet(table.value, accountsOfSheet, periodsOf(opened.value, found.value.year).length, company.currency));
}

function periodsOf({ calendar }: Books, year: number): readonly Period[] {
  return ordinaryPeriods(calendar.years.find((made) => made.year === year)?.periods ?? []);
}

/** Amounts of an account by period, debit positive. */
type AmountsOf = (accountId: number) => readonly bigint[];

function byAccount(amounts: readonly BudgetAmount[], periods: readonly Period[]): AmountsOf {
  const place = new Map(periods.map(({ number }, at) => [number, at]));
  const found = new Map<number, bigint[]>();
  const zeros = periods.map(() => 0n);
  for (const { accountId, period, net } of amounts) {
    const row = found.get(accountId) ?? [...zeros];
    const at = place.get(period);
    if (at !== undefined) row[at] = net;
    found.set(accountId, row);
  }
  return (accountId) => found.get(accountId) ?? zeros;
}

/** Ordinary lines of both layers by account and period of a year, as many periods as are wanted; `null` where the year was not made. */
function postedIn(books: Books, year: number, wanted: number): AmountsOf | null {
  const periods = periodsOf(books, year);
  if (periods.length === 0) return null;
  const moved = Array.from({ length: wanted }, (_, at) => {
    const period = periods[at];
    return period ? movementOver(books.cube, layers, period) : null;
  });
  return (accountId) => {
    const index = books.cube.indexOf.get(accountId) as number;
    return moved.map((net) => net?.[index] ?? 0n);
  };
}

function nameOf(books: Books, { year }: Budget, against: BudgetAgainst | undefined, other: Budget | undefined): string {
  if (other) return other.year === year ? other.name : `${other.name} ${yearNameOf(books, other.year)}`;
  if (against === undefined) return '';
  return `Posted ${yearNameOf(books, against === 'actual' ? year : year - 1)}`;
}

export function yearNameOf({ calendar }: Books, year: number): string {
  const made = calendar.years.find((one) => one.year === year);
  return made ? yearName(made) : String(year);
}

function partNameOf({ lists }: Books, { facet }: Budget, part: string | undefined): string {
  const list = lists.find(({ key }) => key === facet);
  if (!list || part === undefined) return '';
  return part === '' ? `without ${list.name}` : `${list.name} ${part}`;
}
