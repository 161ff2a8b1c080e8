import { z } from 'zod';
import { history, historyQuery } from './chart.ts';
import { closedYear, closing, company, companyInput, companyList, lockChoice, settingsChange, unlockChoice, yearInput } from './company.ts';
import type { Operation } from './operation.ts';

/** The installation, its companies, their settings and the record of changes. */
export const companyOperations = {
  health: { needs: 'nobody', method: 'get', path: '/health', summary: 'Answers 200 while the database does', answer: z.object({ ok: z.literal(true) }) },
  listCompanies: { needs: 'person', method: 'get', path: '/companies', summary: 'Companies of this installation', answer: companyList },
  createCompany: {
    needs: 'person',
    method: 'post',
    path: '/companies',
    summary: 'Create a company with a category tree to begin with',
    body: companyInput,
    answer: company,
    status: 201,
  },
  getCompany: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}',
    summary: 'A company, its fiscal years and what awaits the user',
    answer: company,
  },
  changeSettings: {
    needs: 'administrator',
    method: 'patch',
    path: '/companies/{companyId}',
    summary: 'Change name, number scheme and other settings of the company',
    body: settingsChange,
    answer: company,
  },
  makeYear: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/years',
    summary: 'Make the fiscal year that holds a day with those between, or the next one in a form of its own',
    body: yearInput,
    answer: company,
    status: 201,
  },
  addAdjustingPeriod: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/years/{year}/adjusting-period',
    summary: 'Add a period for adjustments behind the last of a year',
    answer: company,
    status: 201,
  },
  proposeClosing: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/years/{year}/closing',
    summary: 'What closing a year would post; statements are the same with a closing and without',
    answer: closing,
  },
  closeYear: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/years/{year}/closing',
    summary: 'Post the closing of a year',
    answer: closedYear,
    status: 201,
    idempotent: true,
  },
  lockPeriods: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/period-locks',
    summary: 'Lock a period and every open one before it; they take no entries',
    body: lockChoice,
    answer: company,
  },
  unlockPeriod: {
    needs: 'administrator',
    method: 'post',
    path: '/companies/{companyId}/period-unlocking',
    summary: 'Open a locked period again, with a reason',
    body: unlockChoice,
    answer: company,
  },
  listHistory: {
    needs: 'reviewer',
    method: 'get',
    path: '/companies/{companyId}/history',
    summary: 'What was changed, by whom, before and after; newest first',
    query: historyQuery,
    answer: history,
  },
  exportHistory: {
    needs: 'reviewer',
    method: 'get',
    path: '/companies/{companyId}/history/csv',
    summary: 'The newest 10,000 changes as CSV',
    query: historyQuery.omit({ before: true, limit: true }),
    answer: 'file',
  },
} as const satisfies Record<string, Operation>;
