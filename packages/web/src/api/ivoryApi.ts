import type { Problem } from '@ivory-ladder/contract';
import { type BaseQueryFn, createApi, type FetchArgs, type FetchBaseQueryError, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import { inBody } from './longAddress.ts';
import { restoreMarks, showMarks } from './shownMarks.ts';

export type ApiFailure = Problem | { code: 'unreachable'; facts: Record<string, unknown> };

const fetchJson = fetchBaseQuery({
  baseUrl: '/api',
  prepareHeaders: (headers) => void headers.set('X-Ivory-Ladder', '1'),
  responseHandler: async (response) => {
    const text = showMarks(await response.text());
    return text === '' ? null : JSON.parse(text);
  },
});

/** Failures come as problem documents; a server that does not answer is one of our own. */
const baseQuery: BaseQueryFn<string | FetchArgs, unknown, ApiFailure> = async (args, api, extra) => {
  const result = await fetchJson(typeof args === 'string' ? (inBody(args) ?? args) : withMarks(args), api, extra);
  if (!result.error) return { data: result.data };
  return { error: asFailure(result.error) };
};

/** Texts go as they are kept, not as they are shown. */
function withMarks(args: FetchArgs): FetchArgs {
  if (!isPlain(args.body)) return args;
  const text = JSON.stringify(args.body);
  const kept = restoreMarks(text);
  return kept === text ? args : { ...args, body: JSON.parse(kept) };
}

function isPlain(body: unknown): boolean {
  return typeof body === 'object' && body !== null && !(body instanceof Blob);
}

function asFailure(error: FetchBaseQueryError): ApiFailure {
  const data = 'data' in error ? error.data : undefined;
  const parsed = typeof data === 'string' ? tryParse(data) : data;
  return parsed && typeof parsed === 'object' && 'code' in parsed ? (parsed as Problem) : { code: 'unreachable', facts: {} };
}

function tryParse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

export type SpanParams = {
  from: string;
  to: string;
  compare: string;
  compareFrom?: string | undefined;
  compareTo?: string | undefined;
  adjusting?: 'before' | undefined;
};

/** Query text without what is not set. */
export function toQuery(params: Record<string, string | number | undefined>): string {
  return new URLSearchParams(Object.entries(params).flatMap(([key, value]) => (value === undefined || value === '' ? [] : [[key, String(value)]]))).toString();
}

/** What changes with the books. */
export const ledgerTags = ['Company', 'Placement', 'Statement', 'Proofs', 'Ledger', 'Chart', 'History'] as const;

export const ivoryApi = createApi({
  reducerPath: 'ivoryApi',
  baseQuery,
  keepUnusedDataFor: 300,
  tagTypes: [
    'Session',
    'Companies',
    'People',
    'Sessions',
    'Installation',
    'Notes',
    'Attachments',
    'Views',
    'Options',
    'Budgets',
    'Rates',
    'Series',
    'PlacementRecords',
    'Rehearsals',
    'ColumnPlans',
    'Sets',
    'Layouts',
    ...ledgerTags,
  ],
  endpoints: () => ({}),
});

/** A file as it is, named. */
export function fileRequest(path: string, file: File) {
  return { url: `${path}?${toQuery({ name: file.name })}`, method: 'POST', body: file, headers: { 'Content-Type': 'application/octet-stream' } };
}
