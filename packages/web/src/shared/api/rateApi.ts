import { ivoryApi } from './ivoryApi.ts';

/** Exchange rates. */
export const { useListRatesQuery, useSetRatesMutation, useReadRateFileMutation } = ivoryApi;
