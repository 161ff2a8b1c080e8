import { ivoryApi } from './ivoryApi.ts';

/** Column plans that somebody composed. */
export const { useListColumnPlansQuery, useAddColumnPlanMutation, useChangeColumnPlanMutation, useDeleteColumnPlanMutation } = ivoryApi;
