export { addPlan, changePlan, deletePlan, listPlans } from './columnPlans.ts';
export { readLayoutFile, writeLayoutFile } from './layoutFile.ts';
export {
  addLayout,
  deleteLayout,
  listLayouts,
  putLayoutInUse,
  renameLayout,
  saveLayoutDraft,
  viewKeptDraft,
  viewLayout,
  viewLayoutVersion,
} from './layouts.ts';
export { layoutsKeptBy, runningAs } from './layoutsKept.ts';
