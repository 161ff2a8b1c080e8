import type { PlacementView } from '@ivory-ladder/contract';
import { isOnSide, sideAgainst } from '@ivory-ladder/core';
import { standsIn } from './standsIn.ts';

/** Whether an amount stands against the normal side of its account, which has no place for that side. */
export function isAgainst(account: Pick<PlacementView['accounts'][number], 'normalSide' | 'role' | 'places' | 'placesByRange'>, net: bigint): boolean {
  return isOnSide(
    net,
    sideAgainst(
      account,
      standsIn(account).some(({ side }) => side !== 'any'),
    ),
  );
}
