import { ivoryApi } from './ivoryApi.ts';

/** The chart of accounts. */
export const {
  useGetChartQuery,
  useAddAccountMutation,
  useChangeAccountMutation,
  useDeleteAccountMutation,
  useCheckAccountChangeQuery,
  useLazyCheckAccountChangeQuery,
  useCheckRenumberingQuery,
  useRenumberAccountsMutation,
  useListNotesQuery,
  useAddNoteMutation,
  useListAttachmentsQuery,
  useListEntryAttachmentsQuery,
  useAddAttachmentMutation,
  useAddEntryAttachmentMutation,
  useDeleteAttachmentMutation,
  useListAccountPeriodsQuery,
  useCheckMergeQuery,
  useMergeAccountsMutation,
  useUploadChartFileMutation,
  useCheckChartFileQuery,
  useLazyCheckChartFileQuery,
  useApplyChartFileMutation,
  useListChartViewsQuery,
  useChooseChartColumnsMutation,
  useSaveChartViewMutation,
  useChangeChartViewMutation,
  useDeleteChartViewMutation,
} = ivoryApi.enhanceEndpoints({
  endpoints: {
    chooseChartColumns: {
      // The table follows at once, and stays so where the server cannot be reached.
      onQueryStarted: ({ companyId, body }, { dispatch }) =>
        void dispatch(ivoryApi.util.updateQueryData('listChartViews', { companyId }, (current) => ({ ...current, columns: body.columns }))),
    },
  },
});
