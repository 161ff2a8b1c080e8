import type { ColumnPlanBody, ColumnPlanChange, ColumnPlanInput, ColumnPlanList } from '@ivory-ladder/contract';
import { ivoryApi } from './ivoryApi.ts';

interface OfPlan {
  readonly companyId: number;
  readonly planId: number;
}

/** Column plans that somebody composed. */
export const columnPlanApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    listColumnPlans: build.query<ColumnPlanList, number>({ query: (companyId) => `/companies/${companyId}/column-plans`, providesTags: ['ColumnPlans'] }),
    addColumnPlan: build.mutation<ColumnPlanBody, { readonly companyId: number; readonly plan: ColumnPlanInput }>({
      query: ({ companyId, plan }) => ({ url: `/companies/${companyId}/column-plans`, method: 'POST', body: plan }),
      invalidatesTags: ['ColumnPlans', 'History'],
    }),
    changeColumnPlan: build.mutation<ColumnPlanBody, OfPlan & { readonly plan: ColumnPlanChange }>({
      query: ({ companyId, planId, plan }) => ({ url: `/companies/${companyId}/column-plans/${planId}`, method: 'PUT', body: plan }),
      invalidatesTags: ['ColumnPlans', 'Statement', 'History'],
    }),
    deleteColumnPlan: build.mutation<null, OfPlan & { version: number }>({
      query: ({ companyId, planId, version }) => ({ url: `/companies/${companyId}/column-plans/${planId}?version=${version}`, method: 'DELETE' }),
      invalidatesTags: ['ColumnPlans', 'Statement', 'History'],
    }),
  }),
});

export const { useListColumnPlansQuery, useAddColumnPlanMutation, useChangeColumnPlanMutation, useDeleteColumnPlanMutation } = columnPlanApi;
