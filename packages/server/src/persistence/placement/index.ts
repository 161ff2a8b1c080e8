export { addCategoryPath, replaceCaptions } from './categoryRows.ts';
export { insertClassification } from './classificationRows.ts';
export { PlacementRepository } from './placementStore.ts';
export { keepPlaces, keptEvent, replacePlaces } from './placeRows.ts';
export { RehearsalRepository } from './rehearsalStore.ts';
