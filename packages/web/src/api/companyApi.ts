import type { ClosingBody, Company, CompanyInput, CompanyList, History, SettingsChange, SettingsRehearsalBody, YearInput } from '@ivory-ladder/contract';
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
    removeCompany: build.mutation<void, { companyId: number; name: string }>({
      query: ({ companyId, name }) => ({ url: `/companies/${companyId}/removal`, method: 'POST', body: { name } }),
      invalidatesTags: (_result, error) => (error ? [] : ['Companies']),
    }),
    rehearseSettings: build.query<SettingsRehearsalBody, { companyId: number; from: string; to: string } & Pick<SettingsChange, 'digitOrder' | 'numbered'>>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/settings-rehearsal`, method: 'POST', body }),
      providesTags: ['Chart', 'Ledger'],
    }),
    makeYear: build.mutation<Company, { companyId: number } & YearInput>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/years`, method: 'POST', body }),
      invalidatesTags: [...ledgerTags],
    }),
    addAdjustingPeriod: build.mutation<Company, { companyId: number; year: number }>({
      query: ({ companyId, year }) => ({ url: `/companies/${companyId}/years/${year}/adjusting-period`, method: 'POST' }),
      invalidatesTags: [...ledgerTags],
    }),
    proposeClosing: build.query<ClosingBody, { companyId: number; year: number }>({
      query: ({ companyId, year }) => `/companies/${companyId}/years/${year}/closing`,
      providesTags: ['Ledger'],
    }),
    closeYear: build.mutation<{ entries: { entryId: number; documentNumber: string }[] }, { companyId: number; year: number; key: string }>({
      query: ({ companyId, year, key }) => ({ url: `/companies/${companyId}/years/${year}/closing`, method: 'POST', headers: { 'Idempotency-Key': key } }),
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
  useRemoveCompanyMutation,
  useRehearseSettingsQuery,
  useMakeYearMutation,
  useAddAdjustingPeriodMutation,
  useProposeClosingQuery,
  useCloseYearMutation,
  useLockPeriodsMutation,
  useUnlockPeriodMutation,
  useListHistoryQuery,
} = companyApi;
