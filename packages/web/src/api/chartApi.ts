import type {
  AccountBody,
  AccountChange,
  AccountInputBody,
  AccountPeriods,
  AttachmentList,
  ChartAccountBody,
  ChartRehearsalBody,
  ChartView,
  ChartViewInput,
  ChosenColumns,
  MergeRehearsalBody,
  NoteList,
  PostingBody,
  Renumbering,
  SavedChartView,
  SavedChartViews,
  StatementEffect,
} from '@ivory-ladder/contract';
import type { AppDispatch, AppState } from '../app/store.ts';
import { ivoryApi, ledgerTags, type SpanParams, toQuery } from './ivoryApi.ts';

/** What a file belongs to, by its address. */
export type AttachmentOwner = `accounts/${number}` | `entries/${number}`;

/** The chart of accounts. */
const chartApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    getChart: build.query<ChartView, SpanParams & { companyId: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/chart?${toQuery(query)}`,
      providesTags: ['Chart'],
    }),
    addAccount: build.mutation<AccountBody, { companyId: number; body: AccountInputBody }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/accounts`, method: 'POST', body }),
      invalidatesTags: [...ledgerTags],
    }),
    changeAccount: build.mutation<AccountBody, { companyId: number; accountId: number; change: AccountChange }>({
      query: ({ companyId, accountId, change }) => ({ url: `/companies/${companyId}/accounts/${accountId}`, method: 'PATCH', body: change }),
      invalidatesTags: [...ledgerTags],
    }),
    rehearseRenumbering: build.query<StatementEffect, { companyId: number; from: string; to: string } & Renumbering>({
      // Asked anew with other changes alone: once they are applied, their versions are no more.
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/renumbering-rehearsal`, method: 'POST', body }),
    }),
    renumberAccounts: build.mutation<{ renumbered: number }, { companyId: number } & Renumbering>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/renumbering`, method: 'POST', body }),
      invalidatesTags: [...ledgerTags],
    }),
    /** Asked anew each time: it is of one version of the account. */
    rehearseAccountChange: build.query<StatementEffect, { companyId: number; accountId: number; change: AccountChange; from: string; to: string }>({
      query: ({ companyId, accountId, ...body }) => ({ url: `/companies/${companyId}/accounts/${accountId}/change-rehearsal`, method: 'POST', body }),
      keepUnusedDataFor: 0,
    }),
    listNotes: build.query<NoteList, { companyId: number; accountId: number }>({
      query: ({ companyId, accountId }) => `/companies/${companyId}/accounts/${accountId}/notes`,
      providesTags: ['Notes'],
    }),
    addNote: build.mutation<NoteList, { companyId: number; accountId: number; content: string }>({
      query: ({ companyId, accountId, content }) => ({ url: `/companies/${companyId}/accounts/${accountId}/notes`, method: 'POST', body: { content } }),
      invalidatesTags: ['Notes', 'Chart', 'History'],
    }),
    listAttachments: build.query<AttachmentList, { companyId: number; owner: AttachmentOwner }>({
      query: ({ companyId, owner }) => `/companies/${companyId}/${owner}/attachments`,
      providesTags: ['Attachments'],
    }),
    addAttachment: build.mutation<AttachmentList, { companyId: number; owner: AttachmentOwner; file: File }>({
      query: ({ companyId, owner, file }) => ({
        url: `/companies/${companyId}/${owner}/attachments?${toQuery({ name: file.name })}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
      invalidatesTags: ['Attachments', 'History'],
    }),
    deleteAttachment: build.mutation<void, { companyId: number; attachmentId: number }>({
      query: ({ companyId, attachmentId }) => ({ url: `/companies/${companyId}/attachments/${attachmentId}`, method: 'DELETE' }),
      invalidatesTags: ['Attachments', 'History'],
    }),
    listAccountPeriods: build.query<AccountPeriods, { companyId: number; accountId: number }>({
      query: ({ companyId, accountId }) => `/companies/${companyId}/accounts/${accountId}/periods`,
      providesTags: ['Ledger'],
    }),
    rehearseMerge: build.query<MergeRehearsalBody, { companyId: number; accountId: number; into: number; day: string; from: string; to: string }>({
      query: ({ companyId, accountId, ...body }) => ({ url: `/companies/${companyId}/accounts/${accountId}/merge-rehearsal`, method: 'POST', body }),
    }),
    mergeAccounts: build.mutation<
      PostingBody,
      { companyId: number; accountId: number; body: { into: number; day: string; structureVersion: number; revision: number }; key: string }
    >({
      query: ({ companyId, accountId, body, key }) => ({
        url: `/companies/${companyId}/accounts/${accountId}/merge`,
        method: 'POST',
        body,
        headers: { 'Idempotency-Key': key },
      }),
      invalidatesTags: [...ledgerTags],
    }),
    uploadChartFile: build.mutation<{ fileId: number }, { companyId: number; file: File }>({
      query: ({ companyId, file }) => ({
        url: `/companies/${companyId}/chart-files?${toQuery({ name: file.name })}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    rehearseChartFile: build.query<ChartRehearsalBody, { companyId: number; fileId: number; from: string; to: string }>({
      query: ({ companyId, fileId, ...body }) => ({ url: `/companies/${companyId}/chart-files/${fileId}/rehearsal`, method: 'POST', body }),
      providesTags: ['Chart', 'Placement'],
      keepUnusedDataFor: 0,
    }),
    applyChartFile: build.mutation<{ added: number; changed: number }, { companyId: number; fileId: number; structureVersion: number; revision: number }>({
      query: ({ companyId, fileId, ...body }) => ({ url: `/companies/${companyId}/chart-files/${fileId}/application`, method: 'POST', body }),
      invalidatesTags: [...ledgerTags],
    }),
    listChartViews: build.query<SavedChartViews, number>({ query: (id) => `/companies/${id}/chart/views`, providesTags: ['Views'] }),
    chooseChartColumns: build.mutation<void, { companyId: number } & ChosenColumns>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/chart/columns`, method: 'PUT', body }),
      // The table follows at once, and stays so where the server cannot be reached.
      onQueryStarted: ({ companyId, columns }, { dispatch }) =>
        void dispatch(chartApi.util.updateQueryData('listChartViews', companyId, (current) => ({ ...current, columns }))),
    }),
    saveChartView: build.mutation<SavedChartView, { companyId: number; body: ChartViewInput }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/chart/views`, method: 'POST', body }),
      invalidatesTags: ['Views', 'History'],
    }),
    changeChartView: build.mutation<SavedChartView, { companyId: number; viewId: number; body: ChartViewInput & { version: number } }>({
      query: ({ companyId, viewId, body }) => ({ url: `/companies/${companyId}/chart/views/${viewId}`, method: 'PUT', body }),
      invalidatesTags: ['Views', 'History'],
    }),
    deleteChartView: build.mutation<void, { companyId: number; viewId: number }>({
      query: ({ companyId, viewId }) => ({ url: `/companies/${companyId}/chart/views/${viewId}`, method: 'DELETE' }),
      invalidatesTags: ['Views', 'History'],
    }),
    deleteAccount: build.mutation<void, { companyId: number; accountId: number }>({
      query: ({ companyId, accountId }) => ({ url: `/companies/${companyId}/accounts/${accountId}`, method: 'DELETE' }),
      invalidatesTags: [...ledgerTags],
    }),
  }),
});

/** What the charts shown say of an account, until they have been read anew. */
export function showInChart(companyId: number, accountId: number, fields: Partial<ChartAccountBody>) {
  return (dispatch: AppDispatch, getState: () => AppState): void => {
    for (const args of chartApi.util.selectCachedArgsForQuery(getState(), 'getChart').filter((one) => one.companyId === companyId))
      dispatch(
        chartApi.util.updateQueryData('getChart', args, ({ accounts }) => {
          const at = accounts.findIndex(({ id }) => id === accountId);
          if (accounts[at]) Object.assign(accounts[at], fields);
        }),
      );
  };
}

export const {
  useGetChartQuery,
  useAddAccountMutation,
  useChangeAccountMutation,
  useDeleteAccountMutation,
  useRehearseAccountChangeQuery,
  useLazyRehearseAccountChangeQuery,
  useRehearseRenumberingQuery,
  useRenumberAccountsMutation,
  useListNotesQuery,
  useAddNoteMutation,
  useListAttachmentsQuery,
  useAddAttachmentMutation,
  useDeleteAttachmentMutation,
  useListAccountPeriodsQuery,
  useRehearseMergeQuery,
  useMergeAccountsMutation,
  useUploadChartFileMutation,
  useRehearseChartFileQuery,
  useApplyChartFileMutation,
  useListChartViewsQuery,
  useChooseChartColumnsMutation,
  useSaveChartViewMutation,
  useChangeChartViewMutation,
  useDeleteChartViewMutation,
} = chartApi;
