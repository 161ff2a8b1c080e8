import { useMemo } from 'react';
import type { DraftNames } from './draftWords.ts';
import { usePlacement } from './usePlacement.ts';

/** Names of accounts and categories, of those that go as well. */
export function useDraftNames(): DraftNames {
  const { kept, model } = usePlacement();
  return useMemo(
    () => ({
      account: (id) => model.byId.get(id)?.label ?? `account ${id}`,
      category: (id) => (model.placement.categories.get(id) ?? kept.placement.categories.get(id))?.name ?? `category ${id}`,
    }),
    [kept, model],
  );
}
