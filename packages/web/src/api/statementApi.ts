import type { EvidenceBody, ProofList, StatementBody, StatementEffect, StoredLayoutOptions } from '@ivory-ladder/contract';
import type { ColumnPlan, Scale, TranslationMethod } from '@ivory-ladder/core';
import { ivoryApi, type SpanParams, toQuery } from './ivoryApi.ts';

/** What stands across the page: a plan that is there, one that somebody composed, or, as JSON, one that is drafted. */
export interface PlanParams {
  /** That of the layout, or the comparison, where none is asked for. */
  readonly plan?: ColumnPlan | 'composed' | undefined;
  /** Of the plan `budget`. */
  readonly budget?: number | undefined;
  readonly planId?: number | undefined;
  readonly definition?: string | undefined;
}

/** The currency that amounts are shown in; the company's own where none is named. */
export interface PresentationParams {
  readonly currency?: string;
  readonly translation?: TranslationMethod;
}

export type StatementParams = SpanParams &
  PlanParams & {
    companyId: number;
    kind: StatementKind;
    detail: string;
    open: string;
    shut: string;
    zero: '0' | '1';
    scale: Scale['unit'];
    rounding: Scale['rounding'];
    language: string;
    facets: string;
    /** The main one's categories where none is named. */
    classification?: number;
  } & PresentationParams;
/** A generated statement, or the composed layout with the id. */
export type StatementKind = 'balance-sheet' | 'income-statement' | 'cash-flow' | 'changes-in-equity' | 'trial-balance' | `layout-${number}`;
type EvidenceParams = SpanParams &
  PlanParams & {
    companyId: number;
    kind: StatementKind;
    line: string;
    column: number;
    account?: number | undefined;
    facets: string;
    classification?: number;
  } & PresentationParams;

export function statementPath({ companyId, kind, ...query }: StatementParams, part: '' | '/csv' | '/workbook' | '/document' = ''): string {
  return `/companies/${companyId}/statements/${kind}${part}?${toQuery(query)}`;
}

/** Beside a budget figures follow its changes too, in another currency those of the rates. */
function tagsOf({ plan, currency }: PlanParams & PresentationParams): ('Statement' | 'Budgets' | 'Rates')[] {
  return ['Statement', ...(plan === 'budget' || plan === 'composed' ? (['Budgets'] as const) : []), ...(currency === undefined ? [] : (['Rates'] as const))];
}

/** Statements, evidence and proofs. */
const statementApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    getLayoutOptions: build.query<StoredLayoutOptions, number>({ query: (id) => `/companies/${id}/layout-options`, providesTags: ['Options'] }),
    setLayoutOptions: build.mutation<StoredLayoutOptions, { companyId: number; options: StoredLayoutOptions }>({
      query: ({ companyId, options }) => ({ url: `/companies/${companyId}/layout-options`, method: 'PUT', body: options }),
      // The choice shows at once; it goes back if the server refuses.
      onQueryStarted: async ({ companyId, options }, { dispatch, queryFulfilled }) => {
        const shown = dispatch(statementApi.util.updateQueryData('getLayoutOptions', companyId, (current) => ({ ...options, version: current.version })));
        await queryFulfilled.catch(() => shown.undo());
      },
      invalidatesTags: ['Options', 'Statement', 'Proofs'],
    }),
    rehearseLayoutOptions: build.query<StatementEffect, { companyId: number; options: Omit<StoredLayoutOptions, 'version'>; from: string; to: string }>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/layout-options/rehearsal`, method: 'POST', body }),
      keepUnusedDataFor: 0,
    }),
    getStatement: build.query<StatementBody, StatementParams>({ query: (params) => statementPath(params), providesTags: (_, __, params) => tagsOf(params) }),
    getEvidence: build.query<EvidenceBody, EvidenceParams>({
      query: ({ companyId, kind, ...query }) => `/companies/${companyId}/statements/${kind}/evidence?${toQuery(query)}`,
      providesTags: (_, __, params) => tagsOf(params),
    }),
    getProofs: build.query<ProofList, SpanParams & { companyId: number; layout?: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/proofs?${toQuery(query)}`,
      providesTags: ['Proofs'],
    }),
  }),
});

export const {
  useGetLayoutOptionsQuery,
  useSetLayoutOptionsMutation,
  useLazyRehearseLayoutOptionsQuery,
  useGetStatementQuery,
  useGetEvidenceQuery,
  useGetProofsQuery,
} = statementApi;
