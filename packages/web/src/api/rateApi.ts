import type { ExchangeRates, RateFileBody, RatesInput } from '@ivory-ladder/contract';
import { fileRequest, ivoryApi } from './ivoryApi.ts';

/** Exchange rates. */
const rateApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    listRates: build.query<ExchangeRates, number>({ query: (companyId) => `/companies/${companyId}/rates`, providesTags: ['Rates'] }),
    setRates: build.mutation<ExchangeRates, { companyId: number; body: RatesInput }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/rates`, method: 'PUT', body }),
      invalidatesTags: ['Rates', 'History'],
    }),
    readRateFile: build.mutation<RateFileBody, { companyId: number; file: File }>({
      query: ({ companyId, file }) => fileRequest(`/companies/${companyId}/rate-files`, file),
    }),
  }),
});

export const { useListRatesQuery, useSetRatesMutation, useReadRateFileMutation } = rateApi;
