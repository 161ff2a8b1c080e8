import type { Operation } from './operation.ts';
import { deletionQuery } from './primitives.ts';
import { lineComment, lineCommentInput, ranSet, setQuery, statementSet, statementSetChange, statementSetInput, statementSetList } from './statementSet.ts';

/** Statements that are run together. */
export const setOperations = {
  listSets: { needs: 'see', method: 'get', path: '/companies/{companyId}/sets', summary: 'Sets of statements by name', answer: statementSetList },
  addSet: {
    needs: 'keep_layouts',
    method: 'post',
    path: '/companies/{companyId}/sets',
    summary: 'Keep a set of statements',
    body: statementSetInput,
    answer: statementSet,
    status: 201,
  },
  changeSet: {
    needs: 'keep_layouts',
    method: 'put',
    path: '/companies/{companyId}/sets/{setId}',
    summary: 'Change a set of statements',
    body: statementSetChange,
    answer: statementSet,
  },
  deleteSet: {
    needs: 'keep_layouts',
    method: 'delete',
    path: '/companies/{companyId}/sets/{setId}',
    summary: 'Delete a set with its comments',
    query: deletionQuery,
    answer: 'none',
  },
  runSet: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/sets/{setId}/statements',
    summary: 'Every statement of a set at one state of the ledger, what they prove together, and the comments',
    query: setQuery,
    answer: ranSet,
  },
  printSet: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/sets/{setId}/print',
    summary: 'The set as PDF, with contents and page numbers',
    query: setQuery,
    answer: 'file',
  },
  setComment: {
    needs: 'keep_layouts',
    method: 'put',
    path: '/companies/{companyId}/sets/{setId}/comments',
    summary: 'Comment on a line, or take the comment away',
    body: lineCommentInput,
    answer: lineComment.nullable(),
  },
} as const satisfies Record<string, Operation>;
