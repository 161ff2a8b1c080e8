import { ivoryApi } from './ivoryApi.ts';

/** Companies and the record of changes. */
export const {
  useListCompaniesQuery,
  useCreateCompanyMutation,
  useGetCompanyQuery,
  useChangeSettingsMutation,
  useRemoveCompanyMutation,
  useCheckSettingsQuery,
  useMakeYearMutation,
  useAddAdjustingPeriodMutation,
  useProposeClosingQuery,
  useCloseYearMutation,
  useLockPeriodsMutation,
  useUnlockPeriodMutation,
  useListHistoryQuery,
} = ivoryApi;
