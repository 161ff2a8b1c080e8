import type { Company, CompanyInput, CompanyList, History, SettingsChange } from '@ivory-ladder/contract';
import { ivoryApi, ledgerTags, toQuery } from './ivoryApi.ts';

interface PeriodChoice {
  readonly year: number;
  readonly number: number;
  readonly reason: string;
}

/** Companies and the record of changes. */
const companyApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    listCompanies: build.query<CompanyList, void>({ query: () => '/companies', providesTags: ['Companies'] }),
    createCompany: build.mutation<Company, CompanyInput>({ query: (body) => ({ url: '/companies', method: 'POST', body }), invalidatesTags: ['Companies'] }),
    getCompany: build.query<Company, number>({ query: (id) => `/companies/${id}`, providesTags: ['Company'] }),
    changeSettings: build.mutation<Company, { companyId: number; change: SettingsChange }>({
      query: ({ companyId, change }) => ({ url: `/companies/${companyId}`, method: 'PATCH', body: change }),
      invalidatesTags: ['Companies', ...ledgerTags],
    }),
    makeYear: build.mutation<Company, { companyId: number; day: string }>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/years`, method: 'POST', body }),
      invalidatesTags: [...ledgerTags],
    }),
    lockPeriods: build.mutation<Company, { companyId: number } & PeriodChoice>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/period-locks`, method: 'POST', body }),
      invalidatesTags: ['Company', 'History'],
    }),
    unlockPeriod: build.mutation<Company, { companyId: number } & PeriodChoice>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/period-unlocking`, method: 'POST', body }),
      invalidatesTags: ['Company', 'History'],
    }),
    listHistory: build.query<
      History,
      { companyId: number; thing?: string; thingId?: number; actor?: string; from?: string; to?: string; before?: number; limit?: number }
    >({
      query: ({ companyId, ...query }) => `/companies/${companyId}/history?${toQuery(query)}`,
      providesTags: ['History'],
    }),
  }),
});

export const {
  useListCompaniesQuery,
  useCreateCompanyMutation,
  useGetCompanyQuery,
  useChangeSettingsMutation,
  useMakeYearMutation,
  useLockPeriodsMutation,
  useUnlockPeriodMutation,
  useListHistoryQuery,
} = companyApi;
