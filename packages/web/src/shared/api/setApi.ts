import { ivoryApi } from './ivoryApi.ts';

/** Statements that are run together. */
export const { useListSetsQuery, useAddSetMutation, useChangeSetMutation, useDeleteSetMutation, useRunSetQuery, useSetCommentMutation } =
  ivoryApi.enhanceEndpoints({
    endpoints: {
      addSet: {
        // It is opened at once, before the list is read anew.
        onQueryStarted: async ({ companyId }, { dispatch, queryFulfilled }) => {
          const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
          if (data) dispatch(ivoryApi.util.updateQueryData('listSets', { companyId }, ({ sets }) => ({ sets: [...sets, data] })));
        },
      },
    },
  });
