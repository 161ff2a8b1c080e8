import { z } from 'zod';
import { layoutOptions, storedLayoutOptions } from './company.ts';
import type { Operation } from './operation.ts';
import { day } from './primitives.ts';
import { evidence, evidenceQuery, proofList, proofsQuery, statement, statementQuery } from './statement.ts';
import { statementEffect } from './statementEffect.ts';
import { vectorsAsked } from './vectors.ts';

/** Statements, what their figures are made of, and the proofs. */
export const statementOperations = {
  getLayoutOptions: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/layout-options',
    summary: 'What is set for the generated layouts',
    answer: storedLayoutOptions,
  },
  setLayoutOptions: {
    needs: 'keep_layouts',
    method: 'put',
    path: '/companies/{companyId}/layout-options',
    summary: 'Switch subtotals off; show the result on its own line or within retained earnings',
    body: layoutOptions.extend({ version: z.int().nonnegative() }),
    answer: storedLayoutOptions,
  },
  checkLayoutOptions: {
    needs: 'keep_layouts',
    method: 'post',
    path: '/companies/{companyId}/layout-options/rehearsal',
    summary: 'What other settings of the generated layouts would do to every statement and layout in use',
    body: z.strictObject({ options: layoutOptions, from: day, to: day }),
    answer: statementEffect,
  },
  getStatement: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}',
    summary: 'A balance sheet or an income statement',
    query: statementQuery,
    answer: statement,
  },
  exportCsv: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}/csv',
    summary: 'The statement as CSV',
    query: statementQuery,
    answer: 'file',
  },
  getVectors: {
    needs: 'see',
    method: 'post',
    path: '/companies/{companyId}/vectors',
    summary: 'Amounts of every account, which a statement is run on where it is composed: little-endian 64-bit integers',
    body: vectorsAsked,
    answer: 'file',
  },
  exportDocument: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}/document',
    summary: 'The statement as a value, in canonical JSON with the digest of its content (schema `statementDocument`)',
    query: statementQuery,
    answer: 'file',
  },
  exportWorkbook: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}/workbook',
    summary: 'The statement as a workbook with live formulas',
    query: statementQuery,
    answer: 'file',
  },
  getEvidence: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/statements/{kind}/evidence',
    summary: 'What a cell is made of, and its climb',
    query: evidenceQuery,
    answer: evidence,
  },
  getProofs: {
    needs: 'see',
    method: 'get',
    path: '/companies/{companyId}/proofs',
    summary: 'Every proof with its figures and the accounts at fault',
    query: proofsQuery,
    answer: proofList,
  },
} as const satisfies Record<string, Operation>;
