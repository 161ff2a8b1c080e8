import type {
  AccountBody,
  AccountChange,
  AccountInputBody,
  AccountLines,
  AccountPeriods,
  AddedPerson,
  BroughtInList,
  CategoryBody,
  CategoryChange,
  ChartRehearsalBody,
  ChartView,
  Company,
  CompanyInput,
  CompanyList,
  EntryBody,
  EvidenceBody,
  History,
  LinkView,
  MergeRehearsalBody,
  NoteList,
  PersonList,
  PlacementView,
  PlacesChange,
  PostingBody,
  Problem,
  ProofList,
  RehearsalBody,
  RehearsalDraft,
  Renumbering,
  Session,
  SettingsChange,
  StatementBody,
  StoredLayoutOptions,
  TrialBalanceViewBody,
} from '@ivory-ladder/contract';
import type { Role } from '@ivory-ladder/core';
import { type BaseQueryFn, createApi, type FetchArgs, type FetchBaseQueryError, fetchBaseQuery } from '@reduxjs/toolkit/query/react';

export type ApiFailure = Problem | { code: 'unreachable'; facts: Record<string, unknown> };

const fetchJson = fetchBaseQuery({ baseUrl: '/api', prepareHeaders: (headers) => void headers.set('X-Ivory-Ladder', '1') });

/** Failures come as problem documents; a server that does not answer is one of our own. */
const baseQuery: BaseQueryFn<string | FetchArgs, unknown, ApiFailure> = async (args, api, extra) => {
  const result = await fetchJson(args, api, extra);
  if (!result.error) return { data: result.data };
  return { error: asFailure(result.error) };
};

function asFailure(error: FetchBaseQueryError): ApiFailure {
  const data = 'data' in error ? error.data : undefined;
  const parsed = typeof data === 'string' ? tryParse(data) : data;
  return parsed && typeof parsed === 'object' && 'code' in parsed ? (parsed as Problem) : { code: 'unreachable', facts: {} };
}

function tryParse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

export type SpanParams = { from: string; to: string; compare: string; compareFrom?: string | undefined; compareTo?: string | undefined };
export type StatementParams = SpanParams & { companyId: number; kind: StatementKind; detail: string; open: string; shut: string; zero: '0' | '1' };
export type StatementKind = 'balance-sheet' | 'income-statement';
export type EvidenceParams = SpanParams & { companyId: number; kind: StatementKind; line: string; column: number; account?: number | undefined };

/** Query text without what is not set. */
function toQuery(params: Record<string, string | number | undefined>): string {
  return new URLSearchParams(Object.entries(params).flatMap(([key, value]) => (value === undefined || value === '' ? [] : [[key, String(value)]]))).toString();
}

export function statementPath({ companyId, kind, ...query }: StatementParams, part: '' | '/csv' | '/workbook' = ''): string {
  return `/companies/${companyId}/statements/${kind}${part}?${toQuery(query)}`;
}

const ledgerTags = ['Company', 'Placement', 'Statement', 'Proofs', 'Ledger', 'Chart', 'History'] as const;

export const ivoryApi = createApi({
  reducerPath: 'ivoryApi',
  baseQuery,
  keepUnusedDataFor: 300,
  tagTypes: ['Session', 'Companies', 'People', 'Notes', 'Options', ...ledgerTags],
  endpoints: (build) => ({
    getSession: build.query<Session, void>({ query: () => '/session', providesTags: ['Session'] }),
    signIn: build.mutation<Session, { email: string; password: string }>({ query: (body) => ({ url: '/session', method: 'POST', body }) }),
    enterDemo: build.mutation<Session, Role>({ query: (role) => ({ url: '/session/demo', method: 'POST', body: { role } }) }),
    signOut: build.mutation<void, { everywhere: boolean }>({ query: ({ everywhere }) => ({ url: everywhere ? '/sessions' : '/session', method: 'DELETE' }) }),
    changePassword: build.mutation<void, { current: string; next: string }>({ query: (body) => ({ url: '/password', method: 'PUT', body }) }),
    lookAtLink: build.query<LinkView, string>({ query: (token) => ({ url: '/links/look', method: 'POST', body: { token } }), keepUnusedDataFor: 0 }),
    useLink: build.mutation<Session, { token: string; password: string; name?: string; email?: string }>({
      query: (body) => ({ url: '/links/use', method: 'POST', body }),
    }),
    listPeople: build.query<PersonList, number>({ query: (id) => `/companies/${id}/people`, providesTags: ['People'] }),
    addPerson: build.mutation<AddedPerson, { companyId: number; body: { name: string; email: string; role: Role } }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/people`, method: 'POST', body }),
      invalidatesTags: ['People', 'History'],
    }),
    changeRole: build.mutation<PersonList, { companyId: number; personId: number; role: Role; version: number }>({
      query: ({ companyId, personId, ...body }) => ({ url: `/companies/${companyId}/people/${personId}`, method: 'PUT', body }),
      invalidatesTags: ['People', 'Company', 'Companies', 'History'],
    }),
    removePerson: build.mutation<void, { companyId: number; personId: number; version: number }>({
      query: ({ companyId, personId, version }) => ({ url: `/companies/${companyId}/people/${personId}?version=${version}`, method: 'DELETE' }),
      invalidatesTags: ['People', 'Company', 'Companies', 'History'],
    }),
    renewLink: build.mutation<AddedPerson, { companyId: number; personId: number }>({
      query: ({ companyId, personId }) => ({ url: `/companies/${companyId}/people/${personId}/link`, method: 'POST' }),
    }),
    listCompanies: build.query<CompanyList, void>({ query: () => '/companies', providesTags: ['Companies'] }),
    createCompany: build.mutation<Company, CompanyInput>({ query: (body) => ({ url: '/companies', method: 'POST', body }), invalidatesTags: ['Companies'] }),
    getCompany: build.query<Company, number>({ query: (id) => `/companies/${id}`, providesTags: ['Company'] }),
    changeSettings: build.mutation<Company, { companyId: number; change: SettingsChange }>({
      query: ({ companyId, change }) => ({ url: `/companies/${companyId}`, method: 'PATCH', body: change }),
      invalidatesTags: ['Companies', ...ledgerTags],
    }),
    getLayoutOptions: build.query<StoredLayoutOptions, number>({ query: (id) => `/companies/${id}/layout-options`, providesTags: ['Options'] }),
    setLayoutOptions: build.mutation<StoredLayoutOptions, { companyId: number; options: StoredLayoutOptions }>({
      query: ({ companyId, options }) => ({ url: `/companies/${companyId}/layout-options`, method: 'PUT', body: options }),
      // The choice shows at once; it goes back if the server refuses.
      onQueryStarted: async ({ companyId, options }, { dispatch, queryFulfilled }) => {
        const shown = dispatch(ivoryApi.util.updateQueryData('getLayoutOptions', companyId, (current) => ({ ...options, version: current.version })));
        await queryFulfilled.catch(() => shown.undo());
      },
      invalidatesTags: ['Options', 'Statement', 'Proofs'],
    }),
    uploadTrialBalance: build.mutation<{ fileId: number }, { companyId: number; file: File }>({
      query: ({ companyId, file }) => ({
        url: `/companies/${companyId}/trial-balance-files?${toQuery({ name: file.name })}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    rehearseTrialBalance: build.query<RehearsalBody, { companyId: number; fileId: number; draft: RehearsalDraft }>({
      query: ({ companyId, fileId, draft }) => ({ url: `/companies/${companyId}/trial-balance-files/${fileId}/rehearsal`, method: 'POST', body: draft }),
      providesTags: ['Ledger', 'Placement'],
    }),
    postTrialBalance: build.mutation<PostingBody, { companyId: number; fileId: number; draft: RehearsalDraft; key: string }>({
      query: ({ companyId, fileId, draft, key }) => ({
        url: `/companies/${companyId}/trial-balance-files/${fileId}/posting`,
        method: 'POST',
        body: draft,
        headers: { 'Idempotency-Key': key },
      }),
      invalidatesTags: [...ledgerTags],
    }),
    listBroughtIn: build.query<BroughtInList, number>({ query: (id) => `/companies/${id}/trial-balance-files`, providesTags: ['Ledger'] }),
    getChart: build.query<ChartView, SpanParams & { companyId: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/chart?${toQuery(query)}`,
      providesTags: ['Chart'],
    }),
    addAccount: build.mutation<AccountBody, { companyId: number; body: AccountInputBody }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/accounts`, method: 'POST', body }),
      invalidatesTags: [...ledgerTags],
    }),
    changeAccount: build.mutation<AccountBody, { companyId: number; accountId: number; change: AccountChange }>({
      query: ({ companyId, accountId, change }) => ({ url: `/companies/${companyId}/accounts/${accountId}`, method: 'PATCH', body: change }),
      invalidatesTags: [...ledgerTags],
    }),
    renumberAccounts: build.mutation<{ renumbered: number }, { companyId: number } & Renumbering>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/renumbering`, method: 'POST', body }),
      invalidatesTags: [...ledgerTags],
    }),
    listNotes: build.query<NoteList, { companyId: number; accountId: number }>({
      query: ({ companyId, accountId }) => `/companies/${companyId}/accounts/${accountId}/notes`,
      providesTags: ['Notes'],
    }),
    addNote: build.mutation<NoteList, { companyId: number; accountId: number; content: string }>({
      query: ({ companyId, accountId, content }) => ({ url: `/companies/${companyId}/accounts/${accountId}/notes`, method: 'POST', body: { content } }),
      invalidatesTags: ['Notes', 'Chart', 'History'],
    }),
    listAccountPeriods: build.query<AccountPeriods, { companyId: number; accountId: number }>({
      query: ({ companyId, accountId }) => `/companies/${companyId}/accounts/${accountId}/periods`,
      providesTags: ['Ledger'],
    }),
    rehearseMerge: build.query<MergeRehearsalBody, { companyId: number; accountId: number; into: number; day: string; from: string; to: string }>({
      query: ({ companyId, accountId, ...body }) => ({ url: `/companies/${companyId}/accounts/${accountId}/merge-rehearsal`, method: 'POST', body }),
    }),
    mergeAccounts: build.mutation<
      PostingBody,
      { companyId: number; accountId: number; body: { into: number; day: string; structureVersion: number; revision: number }; key: string }
    >({
      query: ({ companyId, accountId, body, key }) => ({
        url: `/companies/${companyId}/accounts/${accountId}/merge`,
        method: 'POST',
        body,
        headers: { 'Idempotency-Key': key },
      }),
      invalidatesTags: [...ledgerTags],
    }),
    uploadChartFile: build.mutation<{ fileId: number }, { companyId: number; file: File }>({
      query: ({ companyId, file }) => ({
        url: `/companies/${companyId}/chart-files?${toQuery({ name: file.name })}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    }),
    rehearseChartFile: build.query<ChartRehearsalBody, { companyId: number; fileId: number; from: string; to: string }>({
      query: ({ companyId, fileId, ...body }) => ({ url: `/companies/${companyId}/chart-files/${fileId}/rehearsal`, method: 'POST', body }),
      providesTags: ['Chart', 'Placement'],
      keepUnusedDataFor: 0,
    }),
    applyChartFile: build.mutation<{ added: number; changed: number }, { companyId: number; fileId: number; structureVersion: number; revision: number }>({
      query: ({ companyId, fileId, ...body }) => ({ url: `/companies/${companyId}/chart-files/${fileId}/application`, method: 'POST', body }),
      invalidatesTags: [...ledgerTags],
    }),
    deleteAccount: build.mutation<void, { companyId: number; accountId: number }>({
      query: ({ companyId, accountId }) => ({ url: `/companies/${companyId}/accounts/${accountId}`, method: 'DELETE' }),
      invalidatesTags: [...ledgerTags],
    }),
    listHistory: build.query<
      History,
      { companyId: number; thing?: string; thingId?: number; actor?: string; from?: string; to?: string; before?: number; limit?: number }
    >({
      query: ({ companyId, ...query }) => `/companies/${companyId}/history?${toQuery(query)}`,
      providesTags: ['History'],
    }),
    getPlacement: build.query<PlacementView, SpanParams & { companyId: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/placement?${toQuery(query)}`,
      providesTags: ['Placement'],
    }),
    setPlaces: build.mutation<{ moved: number }, { companyId: number } & PlacesChange>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/places`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? ['Placement'] : ['Placement', 'Company', 'Statement', 'Proofs', 'Chart', 'History']),
    }),
    addCategory: build.mutation<
      CategoryBody,
      { companyId: number; body: Pick<CategoryBody, 'parentId' | 'element' | 'name'> & Partial<Pick<CategoryBody, 'term' | 'step' | 'contraOf'>> }
    >({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/categories`, method: 'POST', body }),
      invalidatesTags: ['Placement', 'Statement'],
    }),
    changeCategory: build.mutation<CategoryBody, { companyId: number; categoryId: number; change: CategoryChange }>({
      query: ({ companyId, categoryId, change }) => ({ url: `/companies/${companyId}/categories/${categoryId}`, method: 'PATCH', body: change }),
      invalidatesTags: ['Placement', 'Statement'],
    }),
    deleteCategory: build.mutation<void, { companyId: number; categoryId: number }>({
      query: ({ companyId, categoryId }) => ({ url: `/companies/${companyId}/categories/${categoryId}`, method: 'DELETE' }),
      invalidatesTags: ['Placement', 'Statement'],
    }),
    getTrialBalance: build.query<TrialBalanceViewBody, SpanParams & { companyId: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/trial-balance?${toQuery(query)}`,
      providesTags: ['Ledger'],
    }),
    getStatement: build.query<StatementBody, StatementParams>({ query: (params) => statementPath(params), providesTags: ['Statement'] }),
    getEvidence: build.query<EvidenceBody, EvidenceParams>({
      query: ({ companyId, kind, ...query }) => `/companies/${companyId}/statements/${kind}/evidence?${toQuery(query)}`,
      providesTags: ['Statement'],
    }),
    getProofs: build.query<ProofList, SpanParams & { companyId: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/proofs?${toQuery(query)}`,
      providesTags: ['Proofs'],
    }),
    listAccountLines: build.query<
      AccountLines,
      {
        companyId: number;
        account: number;
        from?: string | undefined;
        to?: string | undefined;
        sort?: 'date' | 'size';
        after?: string | undefined;
        limit?: number;
      }
    >({
      query: ({ companyId, ...query }) => `/companies/${companyId}/lines?${toQuery(query)}`,
      providesTags: ['Ledger'],
    }),
    getEntry: build.query<EntryBody, { companyId: number; entryId: number }>({
      query: ({ companyId, entryId }) => `/companies/${companyId}/entries/${entryId}`,
      providesTags: ['Ledger'],
    }),
  }),
});

export const {
  useGetSessionQuery,
  useSignInMutation,
  useEnterDemoMutation,
  useSignOutMutation,
  useChangePasswordMutation,
  useLookAtLinkQuery,
  useUseLinkMutation,
  useListPeopleQuery,
  useAddPersonMutation,
  useChangeRoleMutation,
  useRemovePersonMutation,
  useRenewLinkMutation,
  useListCompaniesQuery,
  useCreateCompanyMutation,
  useGetCompanyQuery,
  useGetLayoutOptionsQuery,
  useChangeSettingsMutation,
  useSetLayoutOptionsMutation,
  useUploadTrialBalanceMutation,
  useRehearseTrialBalanceQuery,
  usePostTrialBalanceMutation,
  useListBroughtInQuery,
  useGetChartQuery,
  useAddAccountMutation,
  useChangeAccountMutation,
  useDeleteAccountMutation,
  useRenumberAccountsMutation,
  useListNotesQuery,
  useAddNoteMutation,
  useListAccountPeriodsQuery,
  useRehearseMergeQuery,
  useMergeAccountsMutation,
  useUploadChartFileMutation,
  useRehearseChartFileQuery,
  useApplyChartFileMutation,
  useListHistoryQuery,
  useGetPlacementQuery,
  useSetPlacesMutation,
  useAddCategoryMutation,
  useChangeCategoryMutation,
  useDeleteCategoryMutation,
  useGetTrialBalanceQuery,
  useGetStatementQuery,
  useGetEvidenceQuery,
  useGetProofsQuery,
  useListAccountLinesQuery,
  useGetEntryQuery,
} = ivoryApi;
