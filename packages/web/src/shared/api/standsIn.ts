import type { PlacementView } from '@ivory-ladder/contract';

type Placed = Pick<PlacementView['accounts'][number], 'places' | 'placesByRange'>;

/** Where an account stands, by hand or by range. */
export function standsIn({ places, placesByRange }: Placed): Placed['places'] {
  return placesByRange.length === 0 ? places : [...places, ...placesByRange];
}
