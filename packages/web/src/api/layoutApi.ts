import type { LayoutDetail, LayoutInput, LayoutList, LayoutRead, LayoutVersionDetail, OwnLayoutBody, SavedLayout } from '@ivory-ladder/contract';
import { ivoryApi, toQuery } from './ivoryApi.ts';

interface OfLayout {
  readonly companyId: number;
  readonly layoutId: number;
}

/** Layouts that are composed, and what they are tried over. */
export const layoutApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    listLayouts: build.query<LayoutList, number>({ query: (companyId) => `/companies/${companyId}/layouts`, providesTags: ['Layouts'] }),
    getLayout: build.query<LayoutDetail, OfLayout>({
      query: ({ companyId, layoutId }) => `/companies/${companyId}/layouts/${layoutId}`,
      // A draft that somebody else saved is seen when the layout is opened again.
      keepUnusedDataFor: 0,
    }),
    getLayoutVersion: build.query<LayoutVersionDetail, OfLayout & { readonly number: number }>({
      query: ({ companyId, layoutId, number }) => `/companies/${companyId}/layouts/${layoutId}/versions/${number}`,
    }),
    addLayout: build.mutation<LayoutDetail, { readonly companyId: number; readonly layout: LayoutInput }>({
      query: ({ companyId, layout }) => ({ url: `/companies/${companyId}/layouts`, method: 'POST', body: layout }),
      invalidatesTags: ['Layouts', 'History'],
    }),
    renameLayout: build.mutation<LayoutDetail, OfLayout & { readonly version: number; readonly name: string }>({
      query: ({ companyId, layoutId, ...body }) => ({ url: `/companies/${companyId}/layouts/${layoutId}`, method: 'PATCH', body }),
      invalidatesTags: ['Layouts', 'History'],
    }),
    getKeptDraft: build.query<{ definition: OwnLayoutBody }, OfLayout & { readonly number: number }>({
      query: ({ companyId, layoutId, number }) => `/companies/${companyId}/layouts/${layoutId}/kept-drafts/${number}`,
    }),
    saveLayoutDraft: build.mutation<
      SavedLayout,
      OfLayout & { readonly version: number; readonly definition: OwnLayoutBody | null; readonly base?: OwnLayoutBody }
    >({
      query: ({ companyId, layoutId, ...body }) => ({ url: `/companies/${companyId}/layouts/${layoutId}/draft`, method: 'PUT', body }),
      invalidatesTags: ['Layouts'],
    }),
    putLayoutInUse: build.mutation<LayoutDetail, OfLayout & { readonly version: number; readonly reason: string }>({
      query: ({ companyId, layoutId, ...body }) => ({ url: `/companies/${companyId}/layouts/${layoutId}/use`, method: 'POST', body }),
      invalidatesTags: ['Layouts', 'Statement', 'History'],
    }),
    deleteLayout: build.mutation<null, OfLayout & { version: number }>({
      query: ({ companyId, layoutId, version }) => ({ url: `/companies/${companyId}/layouts/${layoutId}?version=${version}`, method: 'DELETE' }),
      invalidatesTags: ['Layouts', 'Statement', 'History'],
    }),
    addLayoutFile: build.mutation<LayoutRead, { readonly companyId: number; readonly file: unknown; readonly classification?: number }>({
      query: ({ companyId, file, ...query }) => ({ url: `/companies/${companyId}/layout-files?${toQuery(query)}`, method: 'POST', body: file }),
      invalidatesTags: ['Layouts', 'History'],
    }),
  }),
});

export const {
  useListLayoutsQuery,
  useGetLayoutQuery,
  useLazyGetLayoutVersionQuery,
  useLazyGetKeptDraftQuery,
  useAddLayoutMutation,
  useAddLayoutFileMutation,
  useRenameLayoutMutation,
  useSaveLayoutDraftMutation,
  usePutLayoutInUseMutation,
  useDeleteLayoutMutation,
} = layoutApi;
