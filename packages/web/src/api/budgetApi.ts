import type { BudgetBody, BudgetCellsInput, BudgetGridBody, BudgetInput, BudgetList, BudgetSheetBody } from '@ivory-ladder/contract';
import { ivoryApi, toQuery } from './ivoryApi.ts';

interface OneBudget {
  readonly companyId: number;
  readonly budgetId: number;
}

/** Budgets of fiscal years. */
export const budgetApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    listBudgets: build.query<BudgetList, number>({ query: (companyId) => `/companies/${companyId}/budgets`, providesTags: ['Budgets'] }),
    getBudgetGrid: build.query<BudgetGridBody, OneBudget & { part?: string | undefined; against?: string | undefined }>({
      query: ({ companyId, budgetId, part, against }) => {
        const query = toQuery({ against });
        // An empty part is one too: what stands under no value.
        return `/companies/${companyId}/budgets/${budgetId}/grid?${query}${part === undefined ? '' : `&part=${encodeURIComponent(part)}`}`;
      },
      providesTags: ['Budgets', 'Ledger', 'Chart'],
    }),
    addBudget: build.mutation<BudgetBody, { companyId: number; body: BudgetInput }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/budgets`, method: 'POST', body }),
      invalidatesTags: ['Budgets', 'History'],
    }),
    changeBudget: build.mutation<BudgetBody, OneBudget & { version: number; name: string }>({
      query: ({ companyId, budgetId, ...body }) => ({ url: `/companies/${companyId}/budgets/${budgetId}`, method: 'PATCH', body }),
      invalidatesTags: ['Budgets', 'History'],
    }),
    deleteBudget: build.mutation<void, OneBudget>({
      query: ({ companyId, budgetId }) => ({ url: `/companies/${companyId}/budgets/${budgetId}`, method: 'DELETE' }),
      invalidatesTags: ['Budgets', 'History'],
    }),
    lockBudget: build.mutation<BudgetBody, OneBudget & { version: number; reason: string; isLocked: boolean }>({
      query: ({ companyId, budgetId, isLocked, ...body }) => ({
        url: `/companies/${companyId}/budgets/${budgetId}/lock`,
        method: isLocked ? 'DELETE' : 'POST',
        body,
      }),
      invalidatesTags: ['Budgets', 'History'],
    }),
    setBudgetCells: build.mutation<BudgetBody, OneBudget & { body: BudgetCellsInput }>({
      query: ({ companyId, budgetId, body }) => ({ url: `/companies/${companyId}/budgets/${budgetId}/cells`, method: 'PUT', body }),
      // Refused too: then somebody else has changed it.
      invalidatesTags: ['Budgets', 'History'],
    }),
    readBudgetWorkbook: build.mutation<BudgetSheetBody, OneBudget & { file: File }>({
      query: ({ companyId, budgetId, file }) => ({
        url: `/companies/${companyId}/budgets/${budgetId}/workbook?${toQuery({ name: file.name })}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
  }),
});

export const {
  useListBudgetsQuery,
  useGetBudgetGridQuery,
  useAddBudgetMutation,
  useChangeBudgetMutation,
  useDeleteBudgetMutation,
  useLockBudgetMutation,
  useSetBudgetCellsMutation,
  useReadBudgetWorkbookMutation,
} = budgetApi;
