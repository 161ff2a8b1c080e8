import { z } from 'zod';
import {
  budget,
  budgetCellsInput,
  budgetChange,
  budgetGrid,
  budgetGridQuery,
  budgetInput,
  budgetList,
  budgetLockInput,
  budgetSheet,
  budgetUnlockInput,
} from './budgets.ts';
import type { Operation } from './operation.ts';

const part = budgetGridQuery.pick({ part: true });

/** Budgets of fiscal years, in versions. */
export const budgetOperations = {
  listBudgets: { needs: 'see', method: 'get', path: '/companies/{companyId}/budgets', summary: 'Budgets by year and name', answer: budgetList },
  addBudget: {
    needs: 'keep_budgets_and_rates',
    method: 'post',
    path: '/companies/{companyId}/budgets',
    summary: 'Begin a budget of a fiscal year, empty or as another one',
    body: budgetInput,
    answer: budget,
    status: 201,
  },
  changeBudget: {
    needs: 'keep_budgets_and_rates',
    method: 'patch',
    path: '/companies/{companyId}/budgets/{budgetId}',
    summary: 'Rename a budget',
    body: budgetChange,
    answer: budget,
  },
  deleteBudget: {
    needs: 'keep_budgets_and_rates',
    method: 'delete',
    path: '/companies/{companyId}/budgets/{budgetId}',
    summary: 'Delete a budget that is not locked, with its amounts',
    answer: 'none',
    status: 204,
  },
  lockBudget: {
    needs: 'keep_budgets_and_rates',
    method: 'post',
    path: '/companies/{companyId}/budgets/{budgetId}/lock',
    summary: 'Lock a budget, which takes no changes from then on',
    body: budgetLockInput,
    answer: budget,
  },
  unlockBudget: {
    needs: 'keep_people_and_settings',
    method: 'delete',
    path: '/companies/{companyId}/budgets/{budgetId}/lock',
    summary: 'Open a locked budget again, with a reason',
    body: budgetUnlockInput,
    answer: budget,
  },
  getBudgetGrid: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/budgets/{budgetId}/grid',
    summary: 'A budget by account and period, beside the year before and what it is compared with',
    query: budgetGridQuery,
    answer: budgetGrid,
  },
  setBudgetCells: {
    needs: 'keep_budgets_and_rates',
    method: 'put',
    path: '/companies/{companyId}/budgets/{budgetId}/cells',
    summary: 'Set amounts of a budget, whole or not at all; refused where one is not any more what it was',
    body: budgetCellsInput,
    takesMany: true,
    answer: budget,
  },
  exportBudget: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/budgets/{budgetId}/workbook',
    summary: 'A budget as a workbook that can be changed and loaded back',
    query: part,
    answer: 'file',
  },
  readBudgetWorkbook: {
    needs: 'keep_budgets_and_rates',
    method: 'post',
    path: '/companies/{companyId}/budgets/{budgetId}/workbook',
    summary: 'What stands in a workbook of the budget; nothing is changed',
    query: z.object({ name: z.string().min(1).max(200) }),
    takesFile: true,
    answer: budgetSheet,
  },
} as const satisfies Record<string, Operation>;
