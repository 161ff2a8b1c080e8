import { ivoryApi } from './ivoryApi.ts';

/** Statements, evidence and proofs. */
export const {
  useGetLayoutOptionsQuery,
  useSetLayoutOptionsMutation,
  useLazyCheckLayoutOptionsQuery,
  useGetStatementQuery,
  useGetEvidenceQuery,
  useGetProofsQuery,
} = ivoryApi.enhanceEndpoints({
  endpoints: {
    setLayoutOptions: {
      // The choice shows at once; it goes back if the server refuses.
      onQueryStarted: async ({ companyId, body }, { dispatch, queryFulfilled }) => {
        const shown = dispatch(ivoryApi.util.updateQueryData('getLayoutOptions', { companyId }, (current) => ({ ...body, version: current.version })));
        await queryFulfilled.catch(() => shown.undo());
      },
    },
  },
});
