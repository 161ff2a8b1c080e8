import { ivoryApi } from './ivoryApi.ts';

/** Categories, where accounts stand, and changes of both: kept, applied and taken back. */
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
} = ivoryApi;
