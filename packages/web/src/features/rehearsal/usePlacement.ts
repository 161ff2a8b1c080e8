import { createContext, useContext } from 'react';
import type { PlacementRehearsing } from './useRehearsal.ts';

export const PlacementContext = createContext<PlacementRehearsing | null>(null);

/** The placement of the screens under the frame that rehearses its changes. */
export function usePlacement(): PlacementRehearsing {
  const placement = useContext(PlacementContext);
  if (!placement) throw new Error('used outside the frame of the placement');
  return placement;
}
