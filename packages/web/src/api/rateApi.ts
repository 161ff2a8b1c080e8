import type { ExchangeRates, RateFileBody, RatesInput } from '@ivory-ladder/contract';
import { ivoryApi, toQuery } from './ivoryApi.ts';

/** Exchange rates. */
const rateApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    listRates: build.query<ExchangeRates, number>({ query: (companyId) => `/companies/${companyId}/rates`, providesTags: ['Rates'] }),
    setRates: build.mutation<ExchangeRates, { companyId: number; body: RatesInput }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/rates`, method: 'PUT', body }),
      invalidatesTags: ['Rates', 'History'],
    }),
    readRateFile: build.mutation<RateFileBody, { companyId: number; file: File }>({
      query: ({ companyId, file }) => ({
        url: `/companies/${companyId}/rate-files?${toQuery({ name: file.name })}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
  }),
});

export const { useListRatesQuery, useSetRatesMutation, useReadRateFileMutation } = rateApi;
