import { ivoryApi } from './ivoryApi.ts';

/** Journal lines from a file. */
export const {
  useLookAtJournalMutation,
  useBeginJournalImportMutation,
  useReadJournalMutation,
  useGetJournalImportQuery,
  usePostJournalImportMutation,
  useDiscardJournalImportMutation,
} = ivoryApi;
