import { ivoryApi } from './ivoryApi.ts';

/** Budgets of fiscal years. */
export const {
  useListBudgetsQuery,
  useGetBudgetGridQuery,
  useAddBudgetMutation,
  useChangeBudgetMutation,
  useDeleteBudgetMutation,
  useLockBudgetMutation,
  useUnlockBudgetMutation,
  useSetBudgetCellsMutation,
  useReadBudgetWorkbookMutation,
} = ivoryApi;
