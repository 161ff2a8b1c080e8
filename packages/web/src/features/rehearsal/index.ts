export { ChangedLines } from './ChangedLines.tsx';
export { type DraftNames, draftList, draftSummary } from './draftWords.ts';
export {
  type CategorySums,
  elementName,
  onNaturalSide,
  type PlacedAccount,
  type PlacementModel,
  type StandingAccount,
  visibleNodes,
} from './placementModel.ts';
export { RehearsalPanel } from './RehearsalPanel.tsx';
export { useDraftNames } from './useDraftNames.ts';
export { useProposals } from './useFigures.ts';
export { usePlacement } from './usePlacement.ts';
