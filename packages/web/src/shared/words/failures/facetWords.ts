import type { FactsOf } from '@ivory-ladder/contract';
import type { FailureWords } from './failureWords.ts';

/** Why the facets of a line may not stand on it, by the code of the reason. */
const onLines = {
  facet_unknown: () => 'That facet is not there any more.',
  facet_value_unknown: ({ facet, value }) => `${facet} has no value «${value}».`,
  facet_value_retired: ({ facet, value }) => `${facet} ${value} is retired.`,
  facet_needed: ({ facet }) => `${facet} is needed on this account.`,
  facet_not_allowed: ({ facet }) => `${facet} is not allowed on this account.`,
  facets_do_not_pair: ({ facet, value, otherFacet, otherValue, reason }) =>
    `${facet} ${value} does not go with ${otherFacet} ${otherValue}${reason === '' ? '' : `: ${reason}`}.`,
} satisfies Partial<FailureWords>;

/** Words about facets on lines, and the rules that they go by. */
export const facetWords = {
  ...onLines,
  line_facets_refused: ({ line, refused }) => `Line ${line}: ${facetsRefused(refused)}`,
  pairing_of_one_facet: () => 'A pairing rule is about two facets; a line has one value of each anyway.',
  facet_range_malformed: () => 'These account numbers cannot be read. They are written as «4000 to 4999, 61* except 6150».',
  facet_file_wrong: ({ rows }) => `Nothing was applied: ${rows} rows of the file cannot be.`,
} satisfies Partial<FailureWords>;

export type FacetRefused = FactsOf<'line_facets_refused'>['refused'];

/** The sentence of one reason. */
export function facetsRefused(refused: FacetRefused): string {
  const words = onLines[refused.code] as (facts: FacetRefused) => string;
  return words(refused);
}
