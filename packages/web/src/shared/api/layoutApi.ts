import { ivoryApi } from './ivoryApi.ts';

/** Layouts that are composed, and what they are tried over. */
export const {
  useListLayoutsQuery,
  useGetLayoutQuery,
  useGetLayoutVersionQuery,
  useLazyGetLayoutVersionQuery,
  useLazyGetKeptDraftQuery,
  useAddLayoutMutation,
  useAddLayoutFileMutation,
  useRenameLayoutMutation,
  useSaveLayoutDraftMutation,
  usePutLayoutInUseMutation,
  useDeleteLayoutMutation,
} = ivoryApi;
