import { z } from 'zod';
import { account, accountChange, accountInput, chartView, history, historyQuery, renumbering } from './chart.ts';
import { company, companyInput, companyList, layoutOptions, storedLayoutOptions } from './company.ts';
import { accountLines, accountLinesQuery, entry, entryInput, postedEntry, trialBalanceView } from './entry.ts';
import { category, categoryChange, categoryInput, placementView, placesChange } from './placement.ts';
import { day, id } from './primitives.ts';
import { evidence, evidenceQuery, proofList, spanQuery, statement, statementQuery } from './statement.ts';
import { broughtInList, posting, rehearsal, rehearsalInput, uploadedFile } from './trialBalanceFile.ts';

/** One operation of the API: the only place where its path and the shapes it takes and gives are written down. */
export interface Operation {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** Under `/api`, parameters as `{name}`; all parameters are whole numbers but `kind`. */
  readonly path: string;
  readonly summary: string;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** A body of bytes instead of JSON. */
  readonly takesFile?: true;
  readonly answer: z.ZodType | 'file' | 'none';
  readonly status?: 200 | 201 | 204;
  /** Takes an `Idempotency-Key` header: a repeated request answers with what the first one did. */
  readonly idempotent?: true;
}

const ok = z.object({ ok: z.literal(true) });

export const operations = {
  health: { method: 'get', path: '/health', summary: 'Answers 200 while the database does', answer: ok },
  listCompanies: { method: 'get', path: '/companies', summary: 'Companies of this installation', answer: companyList },
  createCompany: {
    method: 'post',
    path: '/companies',
    summary: 'Create a company with a category tree to begin with',
    body: companyInput,
    answer: company,
    status: 201,
  },
  getCompany: { method: 'get', path: '/companies/{companyId}', summary: 'A company, its fiscal years and what awaits the user', answer: company },
  makeYear: {
    method: 'post',
    path: '/companies/{companyId}/years',
    summary: 'Make the fiscal year that holds a day, and those between it and the years already there',
    body: z.strictObject({ day }),
    answer: company,
    status: 201,
  },
  getLayoutOptions: {
    method: 'get',
    path: '/companies/{companyId}/layout-options',
    summary: 'What is set for the generated layouts',
    answer: storedLayoutOptions,
  },
  setLayoutOptions: {
    method: 'put',
    path: '/companies/{companyId}/layout-options',
    summary: 'Switch subtotals off; show the result on its own line or within retained earnings',
    body: layoutOptions.extend({ version: z.int().nonnegative() }),
    answer: storedLayoutOptions,
  },
  uploadTrialBalance: {
    method: 'post',
    path: '/companies/{companyId}/trial-balance-files',
    summary: 'Hand in a file as it is (CSV, TSV or XLSX); nothing is posted',
    query: z.object({ name: z.string().min(1).max(200) }),
    takesFile: true,
    answer: uploadedFile,
    status: 201,
  },
  rehearseTrialBalance: {
    method: 'post',
    path: '/companies/{companyId}/trial-balance-files/{fileId}/rehearsal',
    summary: 'What the file was taken for, its errors, and what would be posted',
    body: rehearsalInput,
    answer: rehearsal,
  },
  postTrialBalance: {
    method: 'post',
    path: '/companies/{companyId}/trial-balance-files/{fileId}/posting',
    summary: 'Post the differences, whole or not at all',
    body: rehearsalInput,
    answer: posting,
    idempotent: true,
  },
  listBroughtIn: {
    method: 'get',
    path: '/companies/{companyId}/trial-balance-files',
    summary: 'Trial balances that were posted, by their day',
    answer: broughtInList,
  },
  getChart: {
    method: 'get',
    path: '/companies/{companyId}/chart',
    summary: 'Every account in the chart’s own order, with its place, its amounts and when it was last used',
    query: spanQuery,
    answer: chartView,
  },
  addAccount: { method: 'post', path: '/companies/{companyId}/accounts', summary: 'Add an account', body: accountInput, answer: account, status: 201 },
  changeAccount: {
    method: 'patch',
    path: '/companies/{companyId}/accounts/{accountId}',
    summary: 'Rename, renumber, nest, order, describe, retire or reopen an account, or give it a role',
    body: accountChange,
    answer: account,
  },
  renumberAccounts: {
    method: 'post',
    path: '/companies/{companyId}/renumbering',
    summary: 'Give accounts new numbers, all or none; two may swap theirs',
    body: renumbering,
    answer: z.object({ renumbered: z.int() }),
  },
  deleteAccount: {
    method: 'delete',
    path: '/companies/{companyId}/accounts/{accountId}',
    summary: 'Delete an account that nothing holds',
    answer: 'none',
    status: 204,
  },
  listHistory: {
    method: 'get',
    path: '/companies/{companyId}/history',
    summary: 'What was changed, by whom, before and after; newest first',
    query: historyQuery,
    answer: history,
  },
  exportHistory: {
    method: 'get',
    path: '/companies/{companyId}/history/csv',
    summary: 'The newest 10,000 changes as CSV',
    query: historyQuery.pick({ thing: true, thingId: true }),
    answer: 'file',
  },
  getPlacement: {
    method: 'get',
    path: '/companies/{companyId}/placement',
    summary: 'Categories, accounts with their places, and amounts for a span and its comparison',
    query: spanQuery,
    answer: placementView,
  },
  setPlaces: {
    method: 'put',
    path: '/companies/{companyId}/places',
    summary: 'Place accounts, all or none',
    body: placesChange,
    answer: z.object({ moved: z.int() }),
  },
  addCategory: {
    method: 'post',
    path: '/companies/{companyId}/categories',
    summary: 'Add a category at the end of its siblings',
    body: categoryInput,
    answer: category,
    status: 201,
  },
  changeCategory: {
    method: 'patch',
    path: '/companies/{companyId}/categories/{categoryId}',
    summary: 'Rename, nest, order or describe a category',
    body: categoryChange,
    answer: category,
  },
  deleteCategory: {
    method: 'delete',
    path: '/companies/{companyId}/categories/{categoryId}',
    summary: 'Delete an empty category',
    answer: 'none',
    status: 204,
  },
  getTrialBalance: {
    method: 'get',
    path: '/companies/{companyId}/trial-balance',
    summary: 'Opening, movement, carried over and closing of every account',
    query: spanQuery,
    answer: trialBalanceView,
  },
  getStatement: {
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}',
    summary: 'A balance sheet or an income statement',
    query: statementQuery,
    answer: statement,
  },
  exportCsv: { method: 'get', path: '/companies/{companyId}/statements/{kind}/csv', summary: 'The statement as CSV', query: statementQuery, answer: 'file' },
  exportWorkbook: {
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}/workbook',
    summary: 'The statement as a workbook with live formulas',
    query: statementQuery,
    answer: 'file',
  },
  getEvidence: {
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}/evidence',
    summary: 'What a cell is made of, and its climb',
    query: evidenceQuery,
    answer: evidence,
  },
  getProofs: {
    method: 'get',
    path: '/companies/{companyId}/proofs',
    summary: 'Every proof with its figures and the accounts at fault',
    query: spanQuery,
    answer: proofList,
  },
  listAccountLines: { method: 'get', path: '/companies/{companyId}/lines', summary: 'Lines of an account', query: accountLinesQuery, answer: accountLines },
  getEntry: { method: 'get', path: '/companies/{companyId}/entries/{entryId}', summary: 'An entry with its lines', answer: entry },
  postEntry: {
    method: 'post',
    path: '/companies/{companyId}/entries',
    summary: 'Post a journal entry',
    body: entryInput,
    answer: postedEntry,
    status: 201,
    idempotent: true,
  },
} as const satisfies Record<string, Operation>;

export type OperationName = keyof typeof operations;
export const statementKind = z.enum(['balance-sheet', 'income-statement']);
export const pathParameters = z.object({ companyId: id, accountId: id, fileId: id, categoryId: id, entryId: id });
