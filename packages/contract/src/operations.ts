import { z } from 'zod';
import { account, accountChange, accountInput, chartView, history, historyQuery, renumbering } from './chart.ts';
import { company, companyInput, companyList, layoutOptions, settingsChange, storedLayoutOptions } from './company.ts';
import { accountLines, accountLinesQuery, entry, entryInput, postedEntry, trialBalanceView } from './entry.ts';
import {
  addedPerson,
  demoEntry,
  linkLook,
  linkUse,
  linkView,
  passwordChange,
  personInput,
  personList,
  personRemoval,
  roleChange,
  session,
  signIn,
} from './people.ts';
import { category, categoryChange, categoryInput, placementView, placesChange } from './placement.ts';
import { day } from './primitives.ts';
import { evidence, evidenceQuery, proofList, spanQuery, statement, statementQuery } from './statement.ts';
import { broughtInList, posting, rehearsal, rehearsalInput, uploadedFile } from './trialBalanceFile.ts';

/** One operation of the API: the only place where its path and the shapes it takes and gives are written down. */
export interface Operation {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** Under `/api`, parameters as `{name}`; all parameters are whole numbers but `kind`. */
  readonly path: string;
  readonly summary: string;
  /** Who may ask: anybody, anybody signed in, or a member of the company with at least this role. */
  readonly needs: 'nobody' | 'person' | 'reader' | 'reviewer' | 'preparer' | 'administrator';
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
  health: { needs: 'nobody', method: 'get', path: '/health', summary: 'Answers 200 while the database does', answer: ok },
  getSession: { method: 'get', path: '/session', summary: 'Who is signed in', needs: 'nobody', answer: session },
  signIn: { method: 'post', path: '/session', summary: 'Sign in', needs: 'nobody', body: signIn, answer: session },
  enterDemo: {
    method: 'post',
    path: '/session/demo',
    summary: 'Enter the demo in a role, without a password; in demo mode only',
    needs: 'nobody',
    body: demoEntry,
    answer: session,
  },
  signOut: { method: 'delete', path: '/session', summary: 'Sign out here', needs: 'nobody', answer: 'none', status: 204 },
  signOutEverywhere: { method: 'delete', path: '/sessions', summary: 'Sign out everywhere', needs: 'person', answer: 'none', status: 204 },
  changePassword: {
    method: 'put',
    path: '/password',
    summary: 'Change one’s password; signs out everywhere else',
    needs: 'person',
    body: passwordChange,
    answer: 'none',
    status: 204,
  },
  lookAtLink: { method: 'post', path: '/links/look', summary: 'Whom a one-time link is for', needs: 'nobody', body: linkLook, answer: linkView },
  useLink: {
    method: 'post',
    path: '/links/use',
    summary: 'Choose a password with a one-time link, and be signed in',
    needs: 'nobody',
    body: linkUse,
    answer: session,
  },
  listPeople: {
    method: 'get',
    path: '/companies/{companyId}/people',
    summary: 'Who works in the company, and in which role',
    needs: 'administrator',
    answer: personList,
  },
  addPerson: {
    method: 'post',
    path: '/companies/{companyId}/people',
    summary: 'Add a person, with a one-time link for one who is new',
    needs: 'administrator',
    body: personInput,
    answer: addedPerson,
    status: 201,
  },
  changeRole: {
    method: 'put',
    path: '/companies/{companyId}/people/{personId}',
    summary: 'Give a person another role',
    needs: 'administrator',
    body: roleChange,
    answer: personList,
  },
  removePerson: {
    method: 'delete',
    path: '/companies/{companyId}/people/{personId}',
    summary: 'Take a person out of the company',
    needs: 'administrator',
    query: personRemoval,
    answer: 'none',
    status: 204,
  },
  renewLink: {
    method: 'post',
    path: '/companies/{companyId}/people/{personId}/link',
    summary: 'A new one-time link for one who forgot the password or never chose one',
    needs: 'administrator',
    answer: addedPerson,
    status: 201,
  },
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
    summary: 'Make the fiscal year that holds a day, and those between it and the years already there',
    body: z.strictObject({ day }),
    answer: company,
    status: 201,
  },
  getLayoutOptions: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/layout-options',
    summary: 'What is set for the generated layouts',
    answer: storedLayoutOptions,
  },
  setLayoutOptions: {
    needs: 'preparer',
    method: 'put',
    path: '/companies/{companyId}/layout-options',
    summary: 'Switch subtotals off; show the result on its own line or within retained earnings',
    body: layoutOptions.extend({ version: z.int().nonnegative() }),
    answer: storedLayoutOptions,
  },
  uploadTrialBalance: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/trial-balance-files',
    summary: 'Hand in a file as it is (CSV, TSV or XLSX); nothing is posted',
    query: z.object({ name: z.string().min(1).max(200) }),
    takesFile: true,
    answer: uploadedFile,
    status: 201,
  },
  rehearseTrialBalance: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/trial-balance-files/{fileId}/rehearsal',
    summary: 'What the file was taken for, its errors, and what would be posted',
    body: rehearsalInput,
    answer: rehearsal,
  },
  postTrialBalance: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/trial-balance-files/{fileId}/posting',
    summary: 'Post the differences, whole or not at all',
    body: rehearsalInput,
    answer: posting,
    idempotent: true,
  },
  listBroughtIn: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/trial-balance-files',
    summary: 'Trial balances that were posted, by their day',
    answer: broughtInList,
  },
  getChart: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/chart',
    summary: 'Every account in the chart’s own order, with its place, its amounts and when it was last used',
    query: spanQuery,
    answer: chartView,
  },
  addAccount: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/accounts',
    summary: 'Add an account',
    body: accountInput,
    answer: account,
    status: 201,
  },
  changeAccount: {
    needs: 'preparer',
    method: 'patch',
    path: '/companies/{companyId}/accounts/{accountId}',
    summary: 'Rename, renumber, nest, order, describe, retire or reopen an account, or give it a role',
    body: accountChange,
    answer: account,
  },
  renumberAccounts: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/renumbering',
    summary: 'Give accounts new numbers, all or none; two may swap theirs',
    body: renumbering,
    answer: z.object({ renumbered: z.int() }),
  },
  deleteAccount: {
    needs: 'preparer',
    method: 'delete',
    path: '/companies/{companyId}/accounts/{accountId}',
    summary: 'Delete an account that nothing holds',
    answer: 'none',
    status: 204,
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
    query: historyQuery.pick({ thing: true, thingId: true }),
    answer: 'file',
  },
  getPlacement: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/placement',
    summary: 'Categories, accounts with their places, and amounts for a span and its comparison',
    query: spanQuery,
    answer: placementView,
  },
  setPlaces: {
    needs: 'preparer',
    method: 'put',
    path: '/companies/{companyId}/places',
    summary: 'Place accounts, all or none',
    body: placesChange,
    answer: z.object({ moved: z.int() }),
  },
  addCategory: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/categories',
    summary: 'Add a category at the end of its siblings',
    body: categoryInput,
    answer: category,
    status: 201,
  },
  changeCategory: {
    needs: 'preparer',
    method: 'patch',
    path: '/companies/{companyId}/categories/{categoryId}',
    summary: 'Rename, nest, order or describe a category',
    body: categoryChange,
    answer: category,
  },
  deleteCategory: {
    needs: 'preparer',
    method: 'delete',
    path: '/companies/{companyId}/categories/{categoryId}',
    summary: 'Delete an empty category',
    answer: 'none',
    status: 204,
  },
  getTrialBalance: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/trial-balance',
    summary: 'Opening, movement, carried over and closing of every account',
    query: spanQuery,
    answer: trialBalanceView,
  },
  getStatement: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}',
    summary: 'A balance sheet or an income statement',
    query: statementQuery,
    answer: statement,
  },
  exportCsv: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}/csv',
    summary: 'The statement as CSV',
    query: statementQuery,
    answer: 'file',
  },
  exportWorkbook: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}/workbook',
    summary: 'The statement as a workbook with live formulas',
    query: statementQuery,
    answer: 'file',
  },
  getEvidence: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}/evidence',
    summary: 'What a cell is made of, and its climb',
    query: evidenceQuery,
    answer: evidence,
  },
  getProofs: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/proofs',
    summary: 'Every proof with its figures and the accounts at fault',
    query: spanQuery,
    answer: proofList,
  },
  listAccountLines: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/lines',
    summary: 'Lines of an account',
    query: accountLinesQuery,
    answer: accountLines,
  },
  getEntry: { needs: 'reader', method: 'get', path: '/companies/{companyId}/entries/{entryId}', summary: 'An entry with its lines', answer: entry },
  postEntry: {
    needs: 'preparer',
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
