import type { CategoryBody, CategoryChange, PlacementView, PlacesChange } from '@ivory-ladder/contract';
import { ivoryApi, type SpanParams, toQuery } from './ivoryApi.ts';

/** Categories and where accounts stand. */
const placementApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    getPlacement: build.query<PlacementView, SpanParams & { companyId: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/placement?${toQuery(query)}`,
      providesTags: ['Placement'],
    }),
    setPlaces: build.mutation<{ moved: number }, { companyId: number } & PlacesChange>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/places`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? ['Placement'] : ['Placement', 'Company', 'Statement', 'Proofs', 'Chart', 'History']),
    }),
    addCategory: build.mutation<
      CategoryBody,
      { companyId: number; body: Pick<CategoryBody, 'parentId' | 'element' | 'name'> & Partial<Pick<CategoryBody, 'term' | 'step' | 'contraOf'>> }
    >({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/categories`, method: 'POST', body }),
      invalidatesTags: ['Placement', 'Statement'],
    }),
    changeCategory: build.mutation<CategoryBody, { companyId: number; categoryId: number; change: CategoryChange }>({
      query: ({ companyId, categoryId, change }) => ({ url: `/companies/${companyId}/categories/${categoryId}`, method: 'PATCH', body: change }),
      invalidatesTags: ['Placement', 'Statement'],
    }),
    deleteCategory: build.mutation<void, { companyId: number; categoryId: number }>({
      query: ({ companyId, categoryId }) => ({ url: `/companies/${companyId}/categories/${categoryId}`, method: 'DELETE' }),
      invalidatesTags: ['Placement', 'Statement'],
    }),
  }),
});

export const { useGetPlacementQuery, useSetPlacesMutation, useAddCategoryMutation, useChangeCategoryMutation, useDeleteCategoryMutation } = placementApi;
