import type { JournalImport, JournalImportInput, JournalLook, JournalPosting } from '@ivory-ladder/contract';
import { ivoryApi, ledgerTags } from './ivoryApi.ts';

const bytes = { 'Content-Type': 'application/octet-stream' };
/** What is looked at before the whole file is sent. */
const headBytes = 256 << 10;

/** Journal lines from a file. */
const journalApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    lookAtJournal: build.mutation<JournalLook, { companyId: number; file: File }>({
      query: ({ companyId, file }) => ({ url: `/companies/${companyId}/journal-looks`, method: 'POST', body: file.slice(0, headBytes), headers: bytes }),
    }),
    beginJournalImport: build.mutation<{ id: number }, { companyId: number; body: JournalImportInput }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/journal-imports`, method: 'POST', body }),
    }),
    readJournal: build.mutation<JournalImport, { companyId: number; importId: number; file: File }>({
      query: ({ companyId, importId, file }) => ({
        url: `/companies/${companyId}/journal-imports/${importId}/content`,
        method: 'POST',
        body: file,
        headers: bytes,
      }),
    }),
    getJournalImport: build.query<JournalImport, { companyId: number; importId: number }>({
      query: ({ companyId, importId }) => `/companies/${companyId}/journal-imports/${importId}`,
    }),
    postJournalImport: build.mutation<JournalPosting, { companyId: number; importId: number; key: string }>({
      query: ({ companyId, importId, key }) => ({
        url: `/companies/${companyId}/journal-imports/${importId}/posting`,
        method: 'POST',
        headers: { 'Idempotency-Key': key },
      }),
      invalidatesTags: [...ledgerTags],
    }),
    discardJournalImport: build.mutation<void, { companyId: number; importId: number }>({
      query: ({ companyId, importId }) => ({ url: `/companies/${companyId}/journal-imports/${importId}`, method: 'DELETE' }),
    }),
  }),
});

export const {
  useLookAtJournalMutation,
  useBeginJournalImportMutation,
  useReadJournalMutation,
  useGetJournalImportQuery,
  usePostJournalImportMutation,
  useDiscardJournalImportMutation,
} = journalApi;
