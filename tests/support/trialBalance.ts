import type { Company, PostingBody, StatementBody, TrialBalanceCheckBody, TrialBalanceCheckDraft } from '@ivory-ladder/contract';
import type { ApiClient } from './apiClient.ts';

export async function createCompany(
  server: ApiClient,
  fields: { name?: string; currency?: string; fiscalYearFirstMonth?: number; numbered?: boolean } = {},
): Promise<Company> {
  return server.ok('POST', '/companies', { name: 'Test company', currency: 'EUR', fiscalYearFirstMonth: 1, ...fields });
}

export async function handIn(server: ApiClient, companyId: number, content: string | Uint8Array, name = 'trial-balance.csv'): Promise<number> {
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
  const { fileId } = await server.ok<{ fileId: number }>('POST', `/companies/${companyId}/trial-balance-files?name=${encodeURIComponent(name)}`, bytes);
  return fileId;
}

export function rehearse(server: ApiClient, companyId: number, fileId: number, draft: TrialBalanceCheckDraft = {}): Promise<TrialBalanceCheckBody> {
  return server.ok('POST', `/companies/${companyId}/trial-balance-files/${fileId}/rehearsal`, draft);
}

/** Hands a file in and posts it, all proposals confirmed. */
export async function bringIn(
  server: ApiClient,
  companyId: number,
  content: string | Uint8Array,
  draft: TrialBalanceCheckDraft = {},
  name?: string,
): Promise<PostingBody> {
  const fileId = await handIn(server, companyId, content, name);
  return server.ok('POST', `/companies/${companyId}/trial-balance-files/${fileId}/posting`, { confirmElements: true, ...draft });
}

export function statement(
  server: ApiClient,
  companyId: number,
  kind: 'balance-sheet' | 'income-statement' | 'cash-flow' | 'changes-in-equity' | 'trial-balance' | `layout-${number}`,
  from: string,
  to: string,
  more = '',
): Promise<StatementBody> {
  return server.ok('GET', `/companies/${companyId}/statements/${kind}?from=${from}&to=${to}${more}`);
}

/** Caption and shown amounts of every row that bears some, in whole units where `unit` is 100. */
export function figures({ rows }: StatementBody, unit = 1n): [string, ...(number | null)[]][] {
  return rows
    .filter((row) => row.role !== 'heading')
    .map(({ caption, values }) => [caption, ...values.map((value) => (value === null ? null : Number(BigInt(value) / unit)))]);
}
