import type { BudgetBody, BudgetGridBody } from '@ivory-ladder/contract';
import { mapOutcome, succeed } from '@ivory-ladder/core';
import {
  addBudget,
  deleteBudget,
  listBudgets,
  lockBudget,
  readBudgetWorkbook,
  renameBudget,
  setBudgetCells,
  unlockBudget,
  viewBudget,
} from '../application/budgets/index.ts';
import type { BudgetGrid, BudgetWithResult, Ports } from '../application/ports/index.ts';
import { text } from './amountText.ts';
import type { On } from './operationRoutes.ts';

/** Budgets of fiscal years. */
export function budgetRoutes(on: On, ports: Ports): void {
  on('listBudgets', async ({ access }) => mapOutcome(await listBudgets(ports, access), (budgets) => ({ budgets: budgets.map(toBudget) })));
  on('addBudget', async ({ access, body }) => mapOutcome(await addBudget(ports, access, body), toBudget));
  on('changeBudget', async ({ access, id, body }) => mapOutcome(await renameBudget(ports, access, id('budgetId'), body), toBudget));
  on('deleteBudget', async ({ access, id }) => deleteBudget(ports, access, id('budgetId')));
  on('lockBudget', async ({ access, id, body }) => mapOutcome(await lockBudget(ports, access, id('budgetId'), body), toBudget));
  on('unlockBudget', async ({ access, id, body }) => mapOutcome(await unlockBudget(ports, access, id('budgetId'), body), toBudget));
  on('getBudgetGrid', async ({ access, id, query }) => mapOutcome(await viewBudget(ports, access, id('budgetId'), query), toGrid));
  on('setBudgetCells', async ({ access, id, body: { part, cells } }) => {
    const changes = cells.map(({ was, amount, ...cell }) => ({ ...cell, was: BigInt(was), amount: BigInt(amount) }));
    return mapOutcome(await setBudgetCells(ports, access, id('budgetId'), { part, cells: changes }), toBudget);
  });
  on('exportBudget', async ({ access, id, query }) => {
    const grid = await viewBudget(ports, access, id('budgetId'), query);
    return grid.ok ? succeed(await ports.writer.budgetToWorkbook(grid.value)) : grid;
  });
  on('readBudgetWorkbook', async ({ access, id, query, file }) =>
    mapOutcome(await readBudgetWorkbook(ports, access, id('budgetId'), { name: query.name, content: file }), ({ cells, rows, faults }) => ({
      rows,
      cells: cells.map((cell) => ({ ...cell, amount: text(cell.amount) })),
      faults: faults.map((fault) => ({ ...fault })),
    })),
  );
}

function toBudget({ id, year, name, facet, version, lock, result }: BudgetWithResult): BudgetBody {
  return { id, year, name, facet, version, lock: lock && { ...lock, at: `${lock.at.replace(' ', 'T')}Z` }, result: text(result) };
}

function toGrid({ books, budget, periods, accounts, againstName }: BudgetGrid): BudgetGridBody {
  return {
    budget: toBudget(budget),
    periods: periods.map(({ number, firstDay, lastDay }) => ({ number, firstDay, lastDay })),
    accounts: accounts.map(({ account, depth, isParent, amounts, yearBefore, against }) => ({
      id: account.id,
      number: account.number,
      name: account.name,
      label: books.labels.get(account.id) ?? account.name,
      element: account.element,
      normalSide: account.normalSide,
      depth,
      isParent,
      active: account.active,
      amounts: amounts.map(text),
      yearBefore: yearBefore.map(text),
      against: against.map(text),
    })),
    againstName,
  };
}
