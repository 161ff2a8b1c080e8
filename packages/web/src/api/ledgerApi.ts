import type {
  AccountClimbBody,
  AccountLedgerBody,
  AccountLines,
  AdjustmentList,
  BroughtInList,
  EntryBody,
  EntryClimb,
  EntryDraftBody,
  EntryList,
  PostedEntryBody,
  PostingBody,
  RehearsalBody,
  RehearsalDraft,
  TakingBackBody,
  TrialBalanceViewBody,
} from '@ivory-ladder/contract';
import type { Layer } from '@ivory-ladder/core';
import { ivoryApi, ledgerTags, type SpanParams, toQuery } from './ivoryApi.ts';

/** Trial balances, balances and entries. */
const ledgerApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    uploadTrialBalance: build.mutation<{ fileId: number }, { companyId: number; file: File }>({
      query: ({ companyId, file }) => ({
        url: `/companies/${companyId}/trial-balance-files?${toQuery({ name: file.name })}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    rehearseTrialBalance: build.query<RehearsalBody, { companyId: number; fileId: number; draft: RehearsalDraft }>({
      query: ({ companyId, fileId, draft }) => ({ url: `/companies/${companyId}/trial-balance-files/${fileId}/rehearsal`, method: 'POST', body: draft }),
      providesTags: ['Ledger', 'Placement'],
    }),
    postTrialBalance: build.mutation<PostingBody, { companyId: number; fileId: number; draft: RehearsalDraft; key: string }>({
      query: ({ companyId, fileId, draft, key }) => ({
        url: `/companies/${companyId}/trial-balance-files/${fileId}/posting`,
        method: 'POST',
        body: draft,
        headers: { 'Idempotency-Key': key },
      }),
      invalidatesTags: [...ledgerTags],
    }),
    listBroughtIn: build.query<BroughtInList, number>({ query: (id) => `/companies/${id}/trial-balance-files`, providesTags: ['Ledger'] }),
    viewTakingBack: build.query<TakingBackBody, { companyId: number; trialBalanceId: number }>({
      query: ({ companyId, trialBalanceId }) => `/companies/${companyId}/trial-balances/${trialBalanceId}/taking-back`,
      providesTags: ['Ledger'],
    }),
    takeBackTrialBalance: build.mutation<{ entries: unknown[] }, { companyId: number; trialBalanceId: number; key: string }>({
      query: ({ companyId, trialBalanceId, key }) => ({
        url: `/companies/${companyId}/trial-balances/${trialBalanceId}/taking-back`,
        method: 'POST',
        headers: { 'Idempotency-Key': key },
      }),
      invalidatesTags: [...ledgerTags],
    }),
    getTrialBalance: build.query<TrialBalanceViewBody, SpanParams & { companyId: number; facets: string }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/trial-balance?${toQuery(query)}`,
      providesTags: ['Ledger'],
    }),
    getAdjustments: build.query<AdjustmentList, { companyId: number; to: string }>({
      query: ({ companyId, to }) => `/companies/${companyId}/adjustments?${toQuery({ to })}`,
      providesTags: ['Ledger'],
    }),
    listAccountLines: build.query<
      AccountLines,
      {
        companyId: number;
        account: number;
        from?: string | undefined;
        to?: string | undefined;
        sort?: 'date' | 'size';
        layer?: Layer;
        facets?: string;
        after?: string | undefined;
        limit?: number;
      }
    >({
      query: ({ companyId, ...query }) => `/companies/${companyId}/lines?${toQuery(query)}`,
      providesTags: ['Ledger'],
    }),
    getAccountLedger: build.query<AccountLedgerBody, { companyId: number; from: string; to: string; account?: string; accounts?: string; facets: string }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/account-ledger?${toQuery(query)}`,
      providesTags: ['Ledger', 'Chart'],
    }),
    getAccountClimb: build.query<AccountClimbBody, { companyId: number; accountId: number; from: string; to: string }>({
      query: ({ companyId, accountId, ...query }) => `/companies/${companyId}/accounts/${accountId}/climb?${toQuery(query)}`,
      providesTags: ['Statement'],
    }),
    getEntryClimb: build.query<EntryClimb, { companyId: number; entryId: number }>({
      query: ({ companyId, entryId }) => `/companies/${companyId}/entries/${entryId}/climb`,
      providesTags: ['Ledger'],
    }),
    listEntries: build.query<
      EntryList,
      {
        companyId: number;
        from?: string;
        to?: string;
        text?: string;
        amount?: string;
        layer?: string;
        source?: string;
        series?: string;
        by?: string;
        facets?: string;
        account?: number | string | undefined;
        limit?: number;
      }
    >({
      query: ({ companyId, ...query }) => `/companies/${companyId}/entries?${toQuery(query)}`,
      providesTags: ['Ledger'],
    }),
    postEntry: build.mutation<PostedEntryBody, { companyId: number; body: EntryDraftBody; key: string }>({
      query: ({ companyId, body, key }) => ({ url: `/companies/${companyId}/entries`, method: 'POST', body, headers: { 'Idempotency-Key': key } }),
      invalidatesTags: [...ledgerTags],
    }),
    reverseEntry: build.mutation<PostedEntryBody, { companyId: number; entryId: number; date: string; key: string }>({
      query: ({ companyId, entryId, date, key }) => ({
        url: `/companies/${companyId}/entries/${entryId}/reversal`,
        method: 'POST',
        body: { date },
        headers: { 'Idempotency-Key': key },
      }),
      invalidatesTags: [...ledgerTags],
    }),
    getEntry: build.query<EntryBody, { companyId: number; entryId: number }>({
      query: ({ companyId, entryId }) => `/companies/${companyId}/entries/${entryId}`,
      providesTags: ['Ledger'],
    }),
  }),
});

export const {
  useUploadTrialBalanceMutation,
  useRehearseTrialBalanceQuery,
  usePostTrialBalanceMutation,
  useListBroughtInQuery,
  useTakeBackTrialBalanceMutation,
  useViewTakingBackQuery,
  useGetTrialBalanceQuery,
  useGetAdjustmentsQuery,
  useListAccountLinesQuery,
  useGetAccountLedgerQuery,
  useGetEntryQuery,
  useGetAccountClimbQuery,
  useGetEntryClimbQuery,
  useListEntriesQuery,
  usePostEntryMutation,
  useReverseEntryMutation,
} = ledgerApi;
