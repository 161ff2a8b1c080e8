import type {
  LineCommentBody,
  LineCommentInput,
  RanSet,
  StatementSetBody,
  StatementSetChange,
  StatementSetInput,
  StatementSetList,
} from '@ivory-ladder/contract';
import { ivoryApi, type SpanParams, toQuery } from './ivoryApi.ts';

interface OfSet {
  readonly companyId: number;
  readonly setId: number;
}

export function setPrintPath({ companyId, setId, ...span }: OfSet & SpanParams): string {
  return `/api/companies/${companyId}/sets/${setId}/print?${toQuery(span)}`;
}

/** Statements that are run together. */
const setApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    listSets: build.query<StatementSetList, number>({ query: (companyId) => `/companies/${companyId}/sets`, providesTags: ['Sets'] }),
    addSet: build.mutation<StatementSetBody, { readonly companyId: number; readonly set: StatementSetInput }>({
      query: ({ companyId, set }) => ({ url: `/companies/${companyId}/sets`, method: 'POST', body: set }),
      // It is opened at once, before the list is read anew.
      onQueryStarted: async ({ companyId }, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (data) dispatch(setApi.util.updateQueryData('listSets', companyId, ({ sets }) => ({ sets: [...sets, data] })));
      },
      invalidatesTags: ['Sets', 'History'],
    }),
    changeSet: build.mutation<StatementSetBody, OfSet & { readonly set: StatementSetChange }>({
      query: ({ companyId, setId, set }) => ({ url: `/companies/${companyId}/sets/${setId}`, method: 'PUT', body: set }),
      invalidatesTags: ['Sets', 'History'],
    }),
    deleteSet: build.mutation<null, OfSet & { version: number }>({
      query: ({ companyId, setId, version }) => ({ url: `/companies/${companyId}/sets/${setId}?version=${version}`, method: 'DELETE' }),
      invalidatesTags: ['Sets', 'History'],
    }),
    runSet: build.query<RanSet, OfSet & SpanParams>({
      query: ({ companyId, setId, ...span }) => `/companies/${companyId}/sets/${setId}/statements?${toQuery(span)}`,
      providesTags: ['Sets', 'Statement', 'Budgets', 'Rates'],
    }),
    setComment: build.mutation<LineCommentBody | null, OfSet & { readonly comment: LineCommentInput }>({
      query: ({ companyId, setId, comment }) => ({ url: `/companies/${companyId}/sets/${setId}/comments`, method: 'PUT', body: comment }),
      invalidatesTags: ['Sets', 'History'],
    }),
  }),
});

export const { useListSetsQuery, useAddSetMutation, useChangeSetMutation, useDeleteSetMutation, useRunSetQuery, useSetCommentMutation } = setApi;
