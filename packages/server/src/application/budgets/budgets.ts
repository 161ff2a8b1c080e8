import { fail, type ListKey, type Outcome, ordinaryPeriods, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Budget, BudgetCellChange, BudgetWithResult, Ports } from '../ports/index.ts';

export interface NewBudget {
  readonly year: number;
  readonly name: string;
  readonly facet: ListKey | null;
  readonly copyOf: number | null;
}

export async function listBudgets(ports: Ports, { companyId }: Access): Promise<Outcome<BudgetWithResult[], Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const { cube, traits } = opened.value;
  const [budgets, totals] = await Promise.all([ports.budgets.list(companyId), ports.budgets.totals(companyId)]);
  const isResult = (accountId: number) => traits.resets[cube.indexOf.get(accountId) ?? -1] === 1;
  return succeed(
    budgets.map((budget) => ({
      ...budget,
      result: (totals.get(budget.id) ?? []).reduce((sum, { accountId, net }) => (isResult(accountId) ? sum + net : sum), 0n),
    })),
  );
}

/** For a fiscal year that was made; a copy has the facet of what it copies. */
export async function addBudget(
  ports: Ports,
  access: Access<'keep_budgets_and_rates'>,
  { year, name, facet, copyOf }: NewBudget,
): Promise<Outcome<BudgetWithResult, Failure>> {
  const opened = await openBooks(ports, access.companyId);
  if (!opened.ok) return opened;
  const { calendar, lists } = opened.value;
  if (!calendar.years.some((made) => made.year === year)) return fail({ code: 'not_found', thing: 'year', id: year });
  if (facet !== null && !lists.some(({ key, kind }) => key === facet && kind === 'facet')) return fail({ code: 'facet_unknown', facet });
  const original = copyOf === null ? succeed(null) : await findBudget(ports, access.companyId, copyOf);
  if (!original.ok) return original;
  const added = await ports.budgets.add(access.companyId, { year, name, facet: original.value?.facet ?? facet }, original.value, access.actor);
  return added.ok ? told(ports, access, added.value) : added;
}

export async function renameBudget(
  ports: Ports,
  access: Access<'keep_budgets_and_rates'>,
  budgetId: number,
  { version, name }: { readonly version: number; readonly name: string },
): Promise<Outcome<BudgetWithResult, Failure>> {
  return changed(ports, access, budgetId, version, (budget) =>
    budget.lock ? fail({ code: 'budget_locked', name: budget.name }) : ports.budgets.rename(access.companyId, budget, name, access.actor),
  );
}

export async function deleteBudget(ports: Ports, { companyId, actor }: Access<'keep_budgets_and_rates'>, budgetId: number): Promise<Outcome<null, Failure>> {
  const found = await findBudget(ports, companyId, budgetId);
  if (!found.ok) return found;
  if (found.value.lock) return fail({ code: 'budget_locked', name: found.value.name });
  return ports.budgets.delete(companyId, found.value, actor);
}

export async function lockBudget(
  ports: Ports,
  access: Access<'keep_budgets_and_rates'>,
  budgetId: number,
  { version, reason }: LockChoice,
): Promise<Outcome<BudgetWithResult, Failure>> {
  return changed(ports, access, budgetId, version, (budget) =>
    budget.lock ? fail({ code: 'budget_locked', name: budget.name }) : ports.budgets.setLock(access.companyId, budget, true, reason, access.actor),
  );
}

export async function unlockBudget(
  ports: Ports,
  access: Access<'keep_people_and_settings'>,
  budgetId: number,
  { version, reason }: LockChoice,
): Promise<Outcome<BudgetWithResult, Failure>> {
  return changed(ports, access, budgetId, version, (budget) =>
    budget.lock ? ports.budgets.setLock(access.companyId, budget, false, reason, access.actor) : fail({ code: 'budget_not_locked', name: budget.name }),
  );
}

interface LockChoice {
  readonly version: number;
  readonly reason: string;
}

/** Whole or not at all, on accounts that take postings and periods of its year; refused where a cell is not any more what it was. */
export async function setBudgetCells(
  ports: Ports,
  access: Access<'keep_budgets_and_rates'>,
  budgetId: number,
  { part, cells }: { readonly part: string; readonly cells: readonly BudgetCellChange[] },
): Promise<Outcome<BudgetWithResult, Failure>> {
  const [opened, found] = [await openBooks(ports, access.companyId), await findBudget(ports, access.companyId, budgetId)];
  if (!opened.ok) return opened;
  if (!found.ok) return found;
  const refused = checkPart(opened.value, found.value, part) ?? checkCells(opened.value, found.value, cells);
  if (refused) return fail(refused);
  const set = await ports.budgets.setCells(access.companyId, found.value, part, cells, access.actor);
  return set.ok ? told(ports, access, budgetId) : set;
}

function checkCells({ tree, calendar }: Books, { year }: Budget, cells: readonly BudgetCellChange[]): Failure | null {
  const accounts = new Map(tree.order.map((account, at) => [account.id, { number: account.number, isParent: tree.isParent[at] as boolean }]));
  const periods = new Set(ordinaryPeriods(calendar.years.find((made) => made.year === year)?.periods ?? []).map(({ number }) => number));
  const seen = new Set<string>();
  for (const { accountId, period, was, amount } of cells) {
    const account = accounts.get(accountId);
    const key = `${accountId} ${period}`;
    if (!account || seen.has(key)) return { code: 'account_unknown', accountId };
    // What stands on an account that became a parent can still be taken away.
    if (account.isParent && amount !== 0n && amount !== was) return { code: 'account_takes_no_postings', accountId, number: account.number, reason: 'parent' };
    if (!periods.has(period)) return { code: 'not_found', thing: 'period', id: period };
    if (amount > largestCell || amount < -largestCell) return { code: 'ledger_too_large' };
    seen.add(key);
  }
  return null;
}

/** Keeps any sum of cells under 2⁶³. */
const largestCell = 10n ** 13n;

export function checkPart({ lists }: Books, { facet, name }: Budget, part: string): Failure | null {
  if (part === '') return null;
  const list = lists.find(({ key }) => key === facet);
  return list?.codes.some(({ code }) => code === part) ? null : { code: 'facet_value_unknown', facet: list?.name ?? name, value: part };
}

export async function findBudget({ budgets }: Pick<Ports, 'budgets'>, companyId: number, budgetId: number): Promise<Outcome<Budget, Failure>> {
  const budget = (await budgets.list(companyId)).find(({ id }) => id === budgetId);
  return budget ? succeed(budget) : fail({ code: 'not_found', thing: 'budget', id: budgetId });
}

async function changed(
  ports: Ports,
  access: Access,
  budgetId: number,
  version: number,
  act: (budget: Budget) => Outcome<null, Failure> | Promise<Outcome<null, Failure>>,
): Promise<Outcome<BudgetWithResult, Failure>> {
  const found = await findBudget(ports, access.companyId, budgetId);
  if (!found.ok) return found;
  if (found.value.version !== version) return fail({ code: 'version_conflict', thing: 'budget', id: budgetId, current: found.value });
  const done = await act(found.value);
  return done.ok ? told(ports, access, budgetId) : done;
}

async function told(ports: Ports, access: Access, budgetId: number): Promise<Outcome<BudgetWithResult, Failure>> {
  const all = await listBudgets(ports, access);
  if (!all.ok) return all;
  const budget = all.value.find(({ id }) => id === budgetId);
  return budget ? succeed(budget) : fail({ code: 'not_found', thing: 'budget', id: budgetId });
}
