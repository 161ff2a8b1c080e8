import { ivoryApi } from './ivoryApi.ts';

/** Lists of report codes, and facets. */
export const {
  useListCodeListsQuery,
  useAddCodeListMutation,
  useChangeCodeListMutation,
  useDeleteCodeListMutation,
  useAddPairingRuleMutation,
  useDeletePairingRuleMutation,
  useCheckFacetFillMutation,
  useApplyFacetFillMutation,
  useCheckFacetFileMutation,
  useApplyFacetFileMutation,
} = ivoryApi;
