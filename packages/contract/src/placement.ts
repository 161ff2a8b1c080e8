import { z } from 'zod';
import { listKey } from './codeLists.ts';
import { layoutOptions } from './company.ts';
import { accountRole, amount, day, element, id, language, name, nature, placeSide, side, step, term, version } from './primitives.ts';

const classificationName = z.string().trim().min(1).max(100);
/** `copyOf`: the classification whose categories and places it begins with; `null`: none. */
export const classificationInput = z.strictObject({ name: classificationName, copyOf: id.nullable().default(null) });
export const classificationChange = z.strictObject({ version, name: classificationName.optional(), isMain: z.literal(true).optional() });

/** Account numbers in their text form, `1000 to 1999, 2105, 24* except 2450`, for any balance or for one side. */
const categoryRange = z.strictObject({ side: placeSide, text: z.string().trim().max(2000) });
/** At most one for any balance and one for each side. */
const categoryRanges = z
  .array(categoryRange)
  .max(3)
  .refine((ranges) => new Set(ranges.map(({ side }) => side)).size === ranges.length, { error: 'two ranges for one side' });

/** In the company's other languages, one of each. */
export const captions = z
  .array(z.strictObject({ language, caption: name }))
  .max(6)
  .refine((given) => new Set(given.map((one) => one.language)).size === given.length, { error: 'two captions in one language' });

/** Number of a note to the statements, and what belongs in a category. */
export const noteNumber = z.string().trim().max(20);
export const description = z.string().trim().max(2000);

export const category = z.object({
  id,
  parentId: id.nullable(),
  element,
  name: z.string(),
  position: z.int(),
  term: term.nullable(),
  step: step.nullable(),
  contraOf: id.nullable(),
  /** `null`: that of the category above it, or what its step and term say. */
  nature: nature.nullable(),
  note: z.string(),
  description: z.string(),
  ranges: z.array(categoryRange),
  captions: z.array(z.object({ language, caption: z.string() })),
  version,
});
export type CategoryBody = z.infer<typeof category>;

export const categoryInput = z.strictObject({
  parentId: id.nullable(),
  element,
  name,
  term: term.nullable().default(null),
  step: step.nullable().default(null),
  contraOf: id.nullable().default(null),
  nature: nature.nullable().default(null),
  note: noteNumber.default(''),
  description: description.default(''),
  ranges: categoryRanges.default([]),
  captions: captions.default([]),
});

/** Only what changes; `after` names the sibling to stand behind, `null` to stand first. */
export const categoryChange = z.strictObject({
  version,
  name: name.optional(),
  parentId: id.nullable().optional(),
  after: id.nullable().optional(),
  term: term.nullable().optional(),
  step: step.nullable().optional(),
  contraOf: id.nullable().optional(),
  nature: nature.nullable().optional(),
  note: noteNumber.optional(),
  description: description.optional(),
  ranges: categoryRanges.optional(),
  captions: captions.optional(),
});
export type CategoryChange = z.infer<typeof categoryChange>;

export const place = z.strictObject({ side: placeSide, categoryId: id });

export const placedAccount = z.object({
  id,
  number: z.string(),
  name: z.string(),
  /** Number and name; without numbers the name, or the path of names where another has it too. */
  label: z.string(),
  element,
  normalSide: side,
  parentId: id.nullable(),
  isParent: z.boolean(),
  role: accountRole.nullable(),
  /** By hand. */
  places: z.array(place),
  /** Where ranges put what no place by hand takes. */
  placesByRange: z.array(place),
  /** Unrelated categories whose ranges all take it, so that it stands in none of them. */
  doubledIn: z.array(id),
  /** Categories whose ranges hold its number, but whose element is not its own. */
  oddIn: z.array(id),
  /** Balance at the end of the span (balance sheet), or movement over it (income and expense); debit positive. */
  amount,
  comparative: amount,
});

/** What a change of its place is run over, beside that. */
const accountToPlace = placedAccount.extend({
  active: z.boolean(),
  /** Of lists of report codes. */
  codes: z.record(listKey, z.string()),
  /** Days on which it is cash, both among them; left out where it is so from ever or for ever. */
  cashFrom: z.exactOptional(day),
  cashUntil: z.exactOptional(day),
  /** Balances at the same days; of income and expense what the fiscal year has brought. */
  balance: amount,
  balanceBefore: amount,
});

export type PlacedAccount = z.infer<typeof placedAccount>;

const exclusionReason = z.string().trim().min(1).max(500).nullable();

/** `classification:1`, `report:7` for a list of report codes, or `layout:3` for a composed layout. */
const coverageScope = z.string().regex(/^(classification|report|layout):\d+$/);

/** `reason`: why they are left out; `null` takes them in again. `before`: the reason that was seen; `null` for none. Where another stands by now, nothing is changed. */
export const exclusionsChange = z.strictObject({
  scope: coverageScope,
  accountIds: z.array(id).min(1).max(20_000),
  reason: exclusionReason,
  before: exclusionReason.default(null),
});
export type ExclusionsChange = z.input<typeof exclusionsChange>;

export const placementView = z.object({
  categories: z.array(category),
  accounts: z.array(accountToPlace),
  /** Accounts that somebody left out of the coverage of the classification or of a code list. */
  exclusions: z.array(z.object({ scope: coverageScope, accountId: id, reason: z.string(), by: z.string(), at: z.string() })),
  span: z.object({ firstDay: day, lastDay: day }),
  comparative: z.object({ firstDay: day, lastDay: day }),
  balanceComparative: day,
  /** What completed years left where no account is named for it, at both days. */
  notAllotted: z.object({ amount, comparative: amount }),
  options: layoutOptions,
  /** Days on which balances began, days on which fiscal years open with entries, and periods for adjustments that have lines, by their place in the calendar. */
  ledger: z.object({ firstBalances: z.array(z.object({ day, isOpening: z.boolean() })), openings: z.array(day), adjusted: z.array(z.int()) }),
  structureVersion: version,
  revision: z.int(),
});
export type PlacementView = z.infer<typeof placementView>;

export const placesChange = z.strictObject({
  changes: z
    .array(
      z.strictObject({
        accountId: id,
        /** The places the account is thought to have; another one is a conflict. */
        before: z.array(place).max(2),
        after: z.array(place).max(2),
      }),
    )
    .min(1)
    .max(20_000),
});
export type PlacesChange = z.infer<typeof placesChange>;
