import type { SeriesChange, SeriesInput, SeriesList } from '@ivory-ladder/contract';
import { ivoryApi } from './ivoryApi.ts';

/** Series that documents are numbered in. */
const seriesApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    listSeries: build.query<SeriesList, number>({ query: (companyId) => `/companies/${companyId}/series`, providesTags: ['Series', 'Ledger'] }),
    addSeries: build.mutation<SeriesList, { companyId: number; body: SeriesInput }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/series`, method: 'POST', body }),
      invalidatesTags: ['Series', 'History'],
    }),
    changeSeries: build.mutation<SeriesList, { companyId: number; seriesId: number; body: SeriesChange }>({
      query: ({ companyId, seriesId, body }) => ({ url: `/companies/${companyId}/series/${seriesId}`, method: 'PATCH', body }),
      invalidatesTags: ['Series', 'History'],
    }),
    deleteSeries: build.mutation<null, { companyId: number; seriesId: number }>({
      query: ({ companyId, seriesId }) => ({ url: `/companies/${companyId}/series/${seriesId}`, method: 'DELETE' }),
      invalidatesTags: ['Series', 'History'],
    }),
  }),
});

export const { useListSeriesQuery, useAddSeriesMutation, useChangeSeriesMutation, useDeleteSeriesMutation } = seriesApi;
