import { useState } from 'react';
import type { PlacementModel } from '../rehearsal/index.ts';

export interface RecentTarget {
  readonly id: number;
  readonly name: string;
}

const most = 5;

/** The last categories that accounts were moved to, latest first, as far as they are there. */
export function useRecentTargets(model: PlacementModel): { readonly targets: readonly RecentTarget[]; remember(target: RecentTarget): void } {
  const [ids, setIds] = useState<readonly number[]>([]);
  const targets = ids.flatMap((id): RecentTarget[] => {
    const category = model.placement.categories.get(id);
    return category ? [{ id, name: category.name }] : [];
  });
  return { targets, remember: ({ id }) => setIds((before) => [id, ...before.filter((other) => other !== id)].slice(0, most)) };
}
