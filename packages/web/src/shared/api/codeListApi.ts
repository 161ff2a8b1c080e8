import { ivoryApi } from './ivoryApi.ts';

/** Lists of report codes, and facets. */
export const {
  useListCodeListsQuery,
  useAddCodeListMutation,
  useChangeCodeListMutation,
  useDeleteCodeListMutation,
  useAddPairingRuleMutation,
  useDeletePairingRuleMutation,
  useRehearseFacetFillMutation,
  useApplyFacetFillMutation,
  useRehearseFacetFileMutation,
  useApplyFacetFileMutation,
} = ivoryApi;
