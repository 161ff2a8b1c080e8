import type {
  CodeListBody,
  CodeListChange,
  CodeListInput,
  CodeLists,
  FacetFileFound,
  FacetFillFoundBody,
  FacetFillInput,
  PairingRuleInput,
} from '@ivory-ladder/contract';
import { fileRequest, ivoryApi, ledgerTags } from './ivoryApi.ts';

/** Lists of report codes, and facets. */
const codeListApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    listCodeLists: build.query<CodeLists, number>({ query: (companyId) => `/companies/${companyId}/code-lists`, providesTags: ['Chart'] }),
    addCodeList: build.mutation<CodeListBody, { companyId: number; body: CodeListInput }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/code-lists`, method: 'POST', body }),
      invalidatesTags: [...ledgerTags],
    }),
    changeCodeList: build.mutation<CodeListBody, { companyId: number; listId: number; change: CodeListChange }>({
      query: ({ companyId, listId, change }) => ({ url: `/companies/${companyId}/code-lists/${listId}`, method: 'PATCH', body: change }),
      invalidatesTags: [...ledgerTags],
    }),
    deleteCodeList: build.mutation<void, { companyId: number; listId: number }>({
      query: ({ companyId, listId }) => ({ url: `/companies/${companyId}/code-lists/${listId}`, method: 'DELETE' }),
      invalidatesTags: [...ledgerTags],
    }),
    addPairingRule: build.mutation<{ id: number }, { companyId: number; rule: PairingRuleInput }>({
      query: ({ companyId, rule }) => ({ url: `/companies/${companyId}/pairing-rules`, method: 'POST', body: rule }),
      invalidatesTags: ['Chart', 'History'],
    }),
    rehearseFacetFill: build.mutation<FacetFillFoundBody, { companyId: number; listId: number; rule: FacetFillInput }>({
      query: ({ companyId, listId, rule }) => ({ url: `/companies/${companyId}/code-lists/${listId}/fill-rehearsal`, method: 'POST', body: rule }),
    }),
    applyFacetFill: build.mutation<{ lines: number }, { companyId: number; listId: number; rule: FacetFillInput }>({
      query: ({ companyId, listId, rule }) => ({ url: `/companies/${companyId}/code-lists/${listId}/fill`, method: 'POST', body: rule }),
      invalidatesTags: [...ledgerTags],
    }),
    rehearseFacetFile: build.mutation<FacetFileFound, { companyId: number; listId: number; file: File }>({
      query: ({ companyId, listId, file }) => fileRequest(`/companies/${companyId}/code-lists/${listId}/value-file-rehearsal`, file),
    }),
    applyFacetFile: build.mutation<{ lines: number }, { companyId: number; listId: number; file: File }>({
      query: ({ companyId, listId, file }) => fileRequest(`/companies/${companyId}/code-lists/${listId}/value-file`, file),
      invalidatesTags: [...ledgerTags],
    }),
    deletePairingRule: build.mutation<void, { companyId: number; ruleId: number }>({
      query: ({ companyId, ruleId }) => ({ url: `/companies/${companyId}/pairing-rules/${ruleId}`, method: 'DELETE' }),
      invalidatesTags: ['Chart', 'History'],
    }),
  }),
});

export const {
  useListCodeListsQuery,
  useAddCodeListMutation,
  useChangeCodeListMutation,
  useDeleteCodeListMutation,
  useAddPairingRuleMutation,
  useDeletePairingRuleMutation,
  useRehearseFacetFillMutation,
  useApplyFacetFillMutation,
  useRehearseFacetFileMutation,
  useApplyFacetFileMutation,
} = codeListApi;
