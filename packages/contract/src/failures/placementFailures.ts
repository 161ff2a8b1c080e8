import { z } from 'zod';
import { element, placeSide } from '../primitives.ts';
import { rangeTextReason } from './facetFailures.ts';
import { conflict, type FailureKind, nothing, refused } from './failureKind.ts';

const named = { name: z.string() };
const ofCategory = { categoryId: z.int() };

/** Categories, and where accounts stand. */
export const placementFailures = {
  category_unknown: refused({ accountId: z.int(), ...ofCategory }),
  places_overlap: refused({ accountId: z.int(), side: placeSide }),
  element_clash: refused({ accountId: z.int(), ...ofCategory, accountElement: element, categoryElement: element }),
  /** Accounts and categories that are not any more as they were found. */
  place_conflict: conflict({ accountIds: z.array(z.int()), categoryIds: z.array(z.int()) }),
  placement_unchanged: refused(nothing),
  placement_undone_already: conflict({ recordId: z.int() }),
  /** Of the end of a day before the categories were set up. */
  placement_not_kept: refused({ day: z.string() }),
  rehearsal_name_taken: conflict(named),
  classification_name_taken: conflict(named),
  classification_is_main: refused(named),
  classification_held: refused({ ...named, layouts: z.array(z.string()) }),
  category_held: conflict({ ...ofCategory, by: z.enum(['account', 'category']), id: z.int() }),
  category_nesting_refused: refused({ ...ofCategory, reason: z.enum(['other_element', 'own_descendant', 'too_deep', 'parent_gone']) }),
  category_name_taken: conflict({ ...ofCategory, ...named }),
  category_name_missing: refused(ofCategory),
  category_field_refused: refused({ ...ofCategory, field: z.enum(['contraOf', 'term', 'step']) }),
  category_not_empty: conflict({ accounts: z.int(), subcategories: z.int(), contras: z.int() }),
  /** `at` and `length`: the characters that are wrong. */
  range_text_malformed: refused({ ...ofCategory, side: placeSide, at: z.int(), length: z.int(), reason: rangeTextReason }),
  /** The first accounts that somebody left out, or took in, meanwhile, with the reason that stands now. */
  exclusions_moved_on: conflict({ accounts: z.array(z.object({ accountId: z.int(), current: z.string().nullable() })) }),
} satisfies Record<string, FailureKind>;
