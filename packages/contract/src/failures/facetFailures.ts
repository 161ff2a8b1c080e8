import { z } from 'zod';
import { type FailureKind, nothing, refused } from './failureKind.ts';

const facet = { facet: z.string() };
const ofValue = { ...facet, value: z.string() };

const onLines = {
  facet_unknown: refused(facet),
  facet_value_unknown: refused(ofValue),
  facet_value_retired: refused(ofValue),
  facet_needed: refused(facet),
  facet_not_allowed: refused(facet),
  facets_do_not_pair: refused({ ...ofValue, otherFacet: z.string(), otherValue: z.string(), reason: z.string() }),
} satisfies Record<string, FailureKind>;

function coded<Code extends keyof typeof onLines>(code: Code) {
  return z.strictObject({ code: z.literal(code), ...(onLines[code].facts.shape as (typeof onLines)[Code]['facts']['shape']) });
}

/** Why the facets of a line may not stand on it. */
const facetRefused = z.discriminatedUnion('code', [
  coded('facet_unknown'),
  coded('facet_value_unknown'),
  coded('facet_value_retired'),
  coded('facet_needed'),
  coded('facet_not_allowed'),
  coded('facets_do_not_pair'),
]);

/** Where the text of account numbers cannot be read. */
export const rangeTextReason = z.enum([
  'number_missing',
  'word_out_of_place',
  'upside_down',
  'star_not_at_end',
  'except_twice',
  'quote_left_open',
  'nothing_before_except',
]);

/** Facets on lines, and the rules that they go by. */
export const facetFailures = {
  ...onLines,
  /** `line` from 1. */
  line_facets_refused: refused({ line: z.int(), refused: facetRefused }),
  pairing_of_one_facet: refused(nothing),
  /** `at`: the first character of the text that is wrong. */
  facet_range_malformed: refused({ field: z.enum(['neededOn', 'notAllowedOn', 'accounts']), at: z.int(), reason: rangeTextReason }),
  facet_file_wrong: refused({ rows: z.int() }),
} satisfies Record<string, FailureKind>;
