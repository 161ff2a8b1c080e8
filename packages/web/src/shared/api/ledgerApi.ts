import { ivoryApi } from './ivoryApi.ts';

/** Trial balances, balances and entries. */
export const {
  useUploadTrialBalanceMutation,
  useCheckTrialBalanceQuery,
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
} = ivoryApi;
