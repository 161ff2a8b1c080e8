import type {
  AppliedPlacement,
  ExclusionsChange,
  PastPlacementBody,
  PlacementDraftBody,
  PlacementRecordDetailBody,
  PlacementRecordListBody,
  PlacementRehearsal,
  PlacementView,
  PlacesChange,
  ReadPlacementBody,
  SavedRehearsal,
  StatementEffect,
} from '@ivory-ladder/contract';
import type { PlacedElsewhere } from '@ivory-ladder/core';
import { fileRequest, ivoryApi, type SpanParams, toQuery } from './ivoryApi.ts';

/** What shows the placement. */
const placed = ['Placement', 'PlacementRecords', 'Company', 'Statement', 'Proofs', 'Chart', 'History'] as const;

/** What a page may still send while it is left, which browsers allow for so much. */
const isShort = (body: object): boolean => JSON.stringify(body).length < 60_000;

/** Categories, where accounts stand, and changes of both: kept, applied and taken back. */
export const placementApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    getPlacement: build.query<PlacementView, SpanParams & { companyId: number; classification?: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/placement?${toQuery(query)}`,
      providesTags: ['Placement'],
    }),
    addClassification: build.mutation<{ id: number }, { companyId: number; name: string; copyOf: number | null }>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/classifications`, method: 'POST', body }),
      invalidatesTags: ['Company', 'History'],
    }),
    changeClassification: build.mutation<void, { companyId: number; id: number; version: number; name?: string; isMain?: true }>({
      query: ({ companyId, id, ...body }) => ({ url: `/companies/${companyId}/classifications/${id}`, method: 'PATCH', body }),
      invalidatesTags: placed,
    }),
    deleteClassification: build.mutation<void, { companyId: number; id: number }>({
      query: ({ companyId, id }) => ({ url: `/companies/${companyId}/classifications/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Company', 'History'],
    }),
    setExclusions: build.mutation<{ accounts: number }, { companyId: number } & ExclusionsChange>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/coverage-exclusions`, method: 'PUT', body }),
      invalidatesTags: placed,
    }),
    readPlacementFile: build.mutation<ReadPlacementBody, { companyId: number; file: File; classification?: number }>({
      query: ({ companyId, file, classification }) => {
        const { url, ...request } = fileRequest(`/companies/${companyId}/placement/file-rehearsal`, file);
        return { ...request, url: classification === undefined ? url : `${url}&classification=${classification}` };
      },
    }),
    listPlacedElsewhere: build.query<{ placed: PlacedElsewhere[] }, number>({
      query: (companyId) => `/companies/${companyId}/placed-elsewhere`,
      providesTags: ['Placement'],
    }),
    setPlaces: build.mutation<{ moved: number }, { companyId: number } & PlacesChange>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/places`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? ['Placement'] : placed),
    }),
    rehearsePlacement: build.query<StatementEffect, { companyId: number; draft: PlacementDraftBody; classification?: number } & SpanParams>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/placement-rehearsal`, method: 'POST', body }),
      providesTags: ['Placement', 'Statement'],
    }),
    applyPlacement: build.mutation<
      AppliedPlacement,
      { companyId: number; draft: PlacementDraftBody; reason: string; rehearsalId?: number; classification?: number } & SpanParams
    >({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/placement-records`, method: 'POST', body }),
      invalidatesTags: (_result, error) => (error ? ['Placement'] : [...placed, 'Rehearsals']),
    }),
    undoPlacement: build.mutation<AppliedPlacement, { companyId: number; recordId: number } & SpanParams>({
      query: ({ companyId, recordId, ...span }) => ({ url: `/companies/${companyId}/placement-records/${recordId}/undoing?${toQuery(span)}`, method: 'POST' }),
      invalidatesTags: (_result, error) => (error ? ['Placement'] : placed),
    }),
    listPlacementRecords: build.query<PlacementRecordListBody, { companyId: number; before?: number; classification?: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/placement-records?${toQuery(query)}`,
      providesTags: ['PlacementRecords'],
    }),
    getPlacementRecord: build.query<PlacementRecordDetailBody, { companyId: number; recordId: number }>({
      query: ({ companyId, recordId }) => `/companies/${companyId}/placement-records/${recordId}`,
      providesTags: ['PlacementRecords'],
    }),
    getPastPlacement: build.query<PastPlacementBody, { companyId: number; moment: string; classification?: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/past-placement?${toQuery(query)}`,
    }),
    listRehearsals: build.query<{ rehearsals: PlacementRehearsal[] }, { companyId: number; classification?: number }>({
      query: ({ companyId, ...query }) => `/companies/${companyId}/rehearsals?${toQuery(query)}`,
      providesTags: ['Rehearsals'],
    }),
    saveRehearsal: build.mutation<
      SavedRehearsal,
      { companyId: number; name: string; draft: PlacementDraftBody; base?: PlacementDraftBody; classification?: number }
    >({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/rehearsals`, method: 'POST', body, keepalive: isShort(body) }),
      // The one at work is kept after each change, and is in no list.
      invalidatesTags: (_result, _error, { name }) => (name === '' ? [] : ['Rehearsals']),
    }),
    changeRehearsal: build.mutation<
      SavedRehearsal,
      {
        companyId: number;
        rehearsalId: number;
        version: number;
        name?: string;
        state?: PlacementRehearsal['state'];
        word?: string;
        draft?: PlacementDraftBody;
        base?: PlacementDraftBody;
      }
    >({
      query: ({ companyId, rehearsalId, ...body }) => ({
        url: `/companies/${companyId}/rehearsals/${rehearsalId}`,
        method: 'PATCH',
        body,
        keepalive: isShort(body),
      }),
      invalidatesTags: (_result, _error, { name, state, word }) => (name === undefined && state === undefined && word === undefined ? [] : ['Rehearsals']),
    }),
    deleteRehearsal: build.mutation<void, { companyId: number; rehearsalId: number }>({
      query: ({ companyId, rehearsalId }) => ({ url: `/companies/${companyId}/rehearsals/${rehearsalId}`, method: 'DELETE', keepalive: true }),
      invalidatesTags: ['Rehearsals'],
    }),
  }),
});

export const {
  useGetPlacementQuery,
  useAddClassificationMutation,
  useChangeClassificationMutation,
  useDeleteClassificationMutation,
  useReadPlacementFileMutation,
  useSetExclusionsMutation,
  useListPlacedElsewhereQuery,
  useSetPlacesMutation,
  useRehearsePlacementQuery,
  useLazyRehearsePlacementQuery,
  useApplyPlacementMutation,
  useUndoPlacementMutation,
  useListPlacementRecordsQuery,
  useGetPlacementRecordQuery,
  useLazyGetPastPlacementQuery,
  useListRehearsalsQuery,
  useSaveRehearsalMutation,
  useChangeRehearsalMutation,
  useDeleteRehearsalMutation,
} = placementApi;
