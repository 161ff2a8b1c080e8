export {
  type AppliedPlacement,
  applyChange,
  applyPlacement,
  listPlacementRecords,
  rehearseDraft,
  undoPlacement,
  viewPastPlacement,
  viewPlacementRecord,
} from './applyPlacement.ts';
export { type Blocker, Blockers } from './blockers.ts';
export { addCategory, changeCategory, deleteCategory } from './categories.ts';
export { changePlaces } from './changePlaces.ts';
export { addClassification, changeClassification, deleteClassification } from './classifications.ts';
export { copiedPlacement } from './copiedPlacement.ts';
export { setExclusions } from './exclusions.ts';
export { leftOutOf } from './leftOut.ts';
export { listPlacedElsewhere } from './placedElsewhere.ts';
export { type PlacementOverview, viewPlacement } from './placement.ts';
export { exportPlacement, readPlacementFile } from './placementFile.ts';
export { changeRehearsal, deleteRehearsal, endRehearsal, listRehearsals, saveRehearsal } from './placementRehearsals.ts';
export { placesKeptBy, renumberedOf } from './placesKept.ts';
