import { z } from 'zod';
import { captions, category, description, noteNumber, place } from './placement.ts';
import { amount, id, idText, name, version } from './primitives.ts';
import { classificationQuery, classifiedSpanQuery, rowRole } from './statement.ts';

/** New categories have negative ids until they are applied. */
const draftedId = z.int().refine((given) => given !== 0, { error: 'an id of 0' });
const draftedPlaces = z.array(place.extend({ categoryId: draftedId })).max(2);
const draftedCategory = category.omit({ version: true }).extend({
  id: draftedId,
  parentId: draftedId.nullable(),
  contraOf: draftedId.nullable(),
  name,
  note: noteNumber,
  description,
  captions,
});

const isOnce = (ids: readonly number[]): boolean => new Set(ids).size === ids.length;

/** The difference of two placements: each account and category once, with what it was before. */
export const placementDraft = z.strictObject({
  places: z
    .array(z.strictObject({ accountId: id, before: z.array(place).max(2), after: draftedPlaces }))
    .max(20_000)
    .refine((places) => isOnce(places.map(({ accountId }) => accountId)), { error: 'an account twice' }),
  categories: z
    .array(z.strictObject({ id: draftedId, before: draftedCategory.nullable(), after: draftedCategory.nullable() }))
    .max(5000)
    .refine((categories) => isOnce(categories.map((drafted) => drafted.id)), { error: 'a category twice' }),
});
export type PlacementDraftBody = z.infer<typeof placementDraft>;

/** What a file of the placement would make of it. */
export const readPlacement = z.object({
  draft: placementDraft,
  accounts: z.int(),
  categories: z.int(),
  faultCount: z.int(),
  /** The first of them; rows count from 1, with the headings. */
  faults: z.array(
    z.object({
      row: z.int(),
      column: z.string(),
      code: z.enum([
        'heading_missing',
        'account_unknown',
        'account_twice',
        'element_unknown',
        'category_missing',
        'category_twice',
        'category_too_long',
        'category_of_other_element',
        'category_beside_sides',
        'range_malformed',
      ]),
      found: z.string(),
    }),
  ),
});
export type ReadPlacementBody = z.infer<typeof readPlacement>;

const reason = z.string().trim().max(500);

export const placementToApply = z.strictObject({
  draft: placementDraft,
  reason: reason.default(''),
  /** The rehearsal that it was, which is over with it. */
  rehearsalId: id.optional(),
  /** Days for which its effect is kept on record. */
  ...classifiedSpanQuery.shape,
});

export const draftToRehearse = z.strictObject({ draft: placementDraft, ...classifiedSpanQuery.shape });

export const appliedPlacement = z.object({
  recordId: id,
  /** New categories by the ids that they had in the draft. */
  ids: z.record(z.string(), id),
  accounts: z.int(),
  categories: z.int(),
  changedLines: z.int(),
});
export type AppliedPlacement = z.infer<typeof appliedPlacement>;

const placementRecord = z.object({
  id,
  classificationId: id,
  at: z.string(),
  by: z.string(),
  reason: z.string(),
  accounts: z.int(),
  categories: z.int(),
  /** The change that it takes back, and the one that took it back. */
  undoes: id.nullable(),
  undoneBy: id.nullable(),
});
export type PlacementRecordBody = z.infer<typeof placementRecord>;

/** UTC, as `2026-09-30 12:00:00`, with fractions of a second where they matter. */
export const pastPlacementQuery = classificationQuery.extend({ moment: z.string().regex(/^\d{4}-\d\d-\d\d \d\d:\d\d:\d\d(\.\d{1,6})?$/) });
export const pastPlacement = z.object({
  categories: z.array(category.omit({ version: true })),
  places: z.array(place.extend({ accountId: id })),
});
export type PastPlacementBody = z.infer<typeof pastPlacement>;

export const placementRecordsQuery = classificationQuery.extend({ before: idText.optional() });
export const placementRecordList = z.object({ records: z.array(placementRecord), next: id.nullable() });
export type PlacementRecordListBody = z.infer<typeof placementRecordList>;

/** A row of a statement that shows another figure, another caption, or is not there on one side; one amount a column. */
export const changedLine = z.object({
  kind: z.enum(['balance_sheet', 'income_statement']),
  key: z.string(),
  caption: z.string(),
  formerCaption: z.string().nullable(),
  role: rowRole,
  depth: z.int(),
  before: z.array(amount).nullable(),
  after: z.array(amount).nullable(),
});

/** What ties: nil where it does. */
const ties = z.object({ outOfBalance: amount, profitMissed: amount, atFault: z.int(), atStake: amount });

export const placementRecordDetail = placementRecord.extend({
  draft: placementDraft,
  effect: z.object({ lines: z.array(changedLine), before: ties, after: ties }),
});
export type PlacementRecordDetailBody = z.infer<typeof placementRecordDetail>;

/** `offered`: somebody else is to look at it; `returned`: they did, with a word. */
const rehearsalState = z.enum(['drafted', 'offered', 'returned']);

export const placementRehearsal = z.object({
  id,
  classificationId: id,
  /** Empty for the one that is being worked at. */
  name: z.string(),
  by: z.string(),
  isOwn: z.boolean(),
  state: rehearsalState,
  word: z.string(),
  wordBy: z.string(),
  draft: placementDraft,
  changedAt: z.string(),
  version,
});
export type PlacementRehearsal = z.infer<typeof placementRehearsal>;

/** As it is kept now, with what another window of the same person did meanwhile. */
export const savedRehearsal = placementRehearsal.extend({
  /** Changes that came from there. */
  joined: z.int(),
  /** What was changed there otherwise, and stands as it was sent. */
  overridden: z.object({ accountIds: z.array(id), categoryIds: z.array(draftedId) }),
  /** New categories that got another id. */
  ids: z.record(z.string(), draftedId),
});
export type SavedRehearsal = z.infer<typeof savedRehearsal>;

export const placementRehearsalList = z.object({ rehearsals: z.array(placementRehearsal) });
export const placementRehearsalInput = z.strictObject({
  name: z.string().trim().max(200).default(''),
  draft: placementDraft,
  /** The draft as it was kept when the changes began: what was kept since is joined, not written over. */
  base: placementDraft.optional(),
  ...classificationQuery.shape,
});
export const placementRehearsalChange = z.strictObject({
  version,
  name: z.string().trim().min(1).max(200).optional(),
  state: rehearsalState.optional(),
  word: reason.optional(),
  draft: placementDraft.optional(),
  /** As for saving; with it the version may be an older one. */
  base: placementDraft.optional(),
});
