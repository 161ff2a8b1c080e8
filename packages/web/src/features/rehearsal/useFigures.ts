import type { AccountProposals, PlacementEffect } from '@ivory-ladder/core';
import { useSyncExternalStore } from 'react';
import { usePlacement } from './usePlacement.ts';

/** What the draft does to the statements; `null` for no draft. */
export function useEffectOfDraft(): PlacementEffect | null {
  const { figures } = usePlacement();
  return useSyncExternalStore(figures.subscribe, () => figures.known.effect);
}

/** For each unplaced account the categories that it may belong to, learnt from what is placed and what is proposed to be. */
export function useProposals(): ReadonlyMap<number, AccountProposals> {
  const { figures } = usePlacement();
  return useSyncExternalStore(figures.subscribe, () => figures.known.proposals);
}
