import type {
  AppliedPlacement as AppliedBody,
  PastPlacementBody,
  PlacementDraftBody,
  PlacementRecordDetailBody,
  PlacementRehearsal,
  ReadPlacementBody,
  SavedRehearsal,
} from '@ivory-ladder/contract';
import type { DescribedCategory, PlacementDraft, PlacementTies, ReadPlacement } from '@ivory-ladder/core';
import type { AppliedPlacement } from '../application/placement/index.ts';
import type { PastPlacement, PlacementRecordDetail, RehearsalKept, RehearsalSaved } from '../application/ports/index.ts';
import { text } from './amountText.ts';

export function toApplied({ ids, ...applied }: AppliedPlacement): AppliedBody {
  return { ...applied, ids: Object.fromEntries(ids) };
}

export function toRecordDetail({ draft, effect, ...record }: PlacementRecordDetail): PlacementRecordDetailBody {
  return {
    ...record,
    draft: toDraft(draft),
    effect: {
      lines: effect.lines.map((line) => ({ ...line, before: line.before?.map(text) ?? null, after: line.after?.map(text) ?? null })),
      before: toTies(effect.before),
      after: toTies(effect.after),
    },
  };
}

export function toPastPlacement({ categories, places }: PastPlacement): PastPlacementBody {
  return { categories: categories.map((category) => toState(category) as PastPlacementBody['categories'][number]), places: [...places] };
}

const mostFaultsTold = 200;

export function toReadPlacement({ draft, faults, accounts, categories }: ReadPlacement): ReadPlacementBody {
  return { draft: toDraft(draft), accounts, categories, faultCount: faults.length, faults: faults.slice(0, mostFaultsTold) };
}

export function toRehearsal({ personId, draft, wordById: _, ...kept }: RehearsalKept, reader: number | null): PlacementRehearsal {
  return { ...kept, isOwn: personId === reader, draft: toDraft(draft) };
}

export function toSavedRehearsal({ rehearsal, merged }: RehearsalSaved, reader: number | null): SavedRehearsal {
  const { accountIds, categoryIds } = merged.overridden;
  return {
    ...toRehearsal(rehearsal, reader),
    joined: merged.joined,
    overridden: { accountIds: [...accountIds], categoryIds: [...categoryIds] },
    ids: Object.fromEntries(merged.ids),
  };
}

function toTies({ outOfBalance, profitMissed, atFault, atStake }: PlacementTies) {
  return { outOfBalance: text(outOfBalance), profitMissed: text(profitMissed), atFault, atStake: text(atStake) };
}

function toDraft({ places, categories }: PlacementDraft): PlacementDraftBody {
  return {
    places: places.map(({ accountId, before, after }) => ({ accountId, before: [...before], after: [...after] })),
    categories: categories.map(({ id, before, after }) => ({ id, before: toState(before), after: toState(after) })),
  };
}

function toState(category: DescribedCategory | null) {
  return category && { ...category, ranges: [...category.ranges], captions: [...category.captions] };
}
