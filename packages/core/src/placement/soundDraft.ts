import type { Element } from '../chart/element.ts';
import type { DigitOrder } from '../chart/numberOrder.ts';
import { checkDraft, type PlacementFault } from './checkDraft.ts';
import { applyDraft, type DraftConflict, type PlacementDraft, rebaseDraft } from './draft.ts';
import type { Placement } from './placement.ts';

export interface SoundDraft {
  /** What of the draft can be applied. */
  readonly draft: PlacementDraft;
  readonly conflicts: readonly DraftConflict[];
  /** Why other parts of it cannot, though nobody changed them: something they need has gone, or is in the way. */
  readonly faults: readonly PlacementFault[];
  /** The placement with it. */
  readonly placement: Placement;
}

/**
 * The draft on a placement that may have changed meanwhile, without what is in conflict with it or would be at fault there: a placement
 * that can be run. Cost: draft + categories, for each fault again.
 */
export function soundDraft(current: Placement, draft: PlacementDraft, elementOf: ReadonlyMap<number, Element>, order: DigitOrder): SoundDraft {
  const rebased = rebaseDraft(current, draft, elementOf);
  const found: PlacementFault[] = [];
  let sound = rebased.draft;
  for (;;) {
    const placement = applyDraft(current, sound);
    const faults = checkDraft(placement, sound, (accountId) => elementOf.get(accountId), order);
    const left = without(sound, faults);
    if (faults.length === 0 || left === null) return { draft: sound, conflicts: rebased.conflicts, faults: found, placement };
    found.push(...faults);
    sound = left;
  }
}

/** `null` where no fault is about anything in the draft. */
function without({ places, categories }: PlacementDraft, faults: readonly PlacementFault[]): PlacementDraft | null {
  const accounts = new Set(faults.flatMap((fault) => ('accountId' in fault ? [fault.accountId] : [])));
  const others = new Set(faults.flatMap((fault) => ('accountId' in fault ? [] : [fault.categoryId])));
  const left = { places: places.filter(({ accountId }) => !accounts.has(accountId)), categories: categories.filter(({ id }) => !others.has(id)) };
  return left.places.length === places.length && left.categories.length === categories.length ? null : left;
}
