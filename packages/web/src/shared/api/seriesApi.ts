import { ivoryApi } from './ivoryApi.ts';

/** Series that documents are numbered in. */
export const { useListSeriesQuery, useAddSeriesMutation, useChangeSeriesMutation, useDeleteSeriesMutation } = ivoryApi;
