import { z } from 'zod';
import { journalImport, journalImportInput, journalLook, journalPosting } from './journalImport.ts';
import type { Operation } from './operation.ts';

/** Journal lines from a file: looked at, read and checked whole, then posted whole or not at all. */
export const journalOperations = {
  emptyLinesFile: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/empty-lines-file',
    summary: 'A file with every column that journal lines can have, and what each takes',
    answer: 'file',
  },
  lookAtJournal: {
    needs: 'prepare_entries',
    method: 'post',
    path: '/companies/{companyId}/journal-looks',
    summary: 'What the beginning of a file of journal lines is taken for',
    takesFile: true,
    answer: journalLook,
  },
  beginJournalImport: {
    needs: 'prepare_entries',
    method: 'post',
    path: '/companies/{companyId}/journal-imports',
    summary: 'Begin an import of journal lines; its content follows',
    body: journalImportInput,
    answer: z.object({ id: z.int() }),
    status: 201,
  },
  readJournal: {
    needs: 'prepare_entries',
    method: 'post',
    path: '/companies/{companyId}/journal-imports/{importId}/content',
    summary: 'The bytes of the file, read and checked as they come',
    takesStream: true,
    answer: journalImport,
  },
  getJournalImport: {
    needs: 'prepare_entries',
    method: 'get',
    path: '/companies/{companyId}/journal-imports/{importId}',
    summary: 'How far an import is, and what was found',
    answer: journalImport,
  },
  postJournalImport: {
    needs: 'prepare_entries',
    method: 'post',
    path: '/companies/{companyId}/journal-imports/{importId}/posting',
    summary: 'Post what was read, whole or not at all',
    answer: journalPosting,
    idempotent: true,
  },
  discardJournalImport: {
    needs: 'prepare_entries',
    method: 'delete',
    path: '/companies/{companyId}/journal-imports/{importId}',
    summary: 'Discard an import, also while it is read',
    answer: 'none',
    status: 204,
  },
} as const satisfies Record<string, Operation>;
