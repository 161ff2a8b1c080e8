import { z } from 'zod';
import { accountLines, accountLinesQuery, entriesQuery, entry, entryInput, entryList, postedEntry, reversalInput, trialBalanceView } from './entry.ts';
import type { Operation } from './operation.ts';
import { trialBalanceQuery } from './statement.ts';
import { broughtInList, posting, rehearsal, rehearsalInput, uploadedFile } from './trialBalanceFile.ts';

/** Trial balances brought in, balances and entries. */
export const ledgerOperations = {
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
  getTrialBalance: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/trial-balance',
    summary: 'Opening, movement, carried over and closing of every account',
    query: trialBalanceQuery,
    answer: trialBalanceView,
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
  listEntries: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/entries',
    summary: 'Entries, latest first, by cursor',
    query: entriesQuery,
    answer: entryList,
  },
  reverseEntry: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/entries/{entryId}/reversal',
    summary: 'Post an entry that reverses another one, once',
    body: reversalInput,
    answer: postedEntry,
    status: 201,
    idempotent: true,
  },
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
