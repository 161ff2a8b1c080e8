import type { CodeList, ListKey } from '../chart/codeList.ts';
import type { Element } from '../chart/element.ts';
import type { DigitOrder } from '../chart/numberOrder.ts';
import { type NumberKey, numberKey, rangeTest } from '../chart/numberRange.ts';
import { readRangeText } from '../chart/rangeText.ts';
import { type FacetsOfLine, valuesBelow } from './facetFilter.ts';

/** On which accounts a facet or a code is needed, and on which a facet may not stand; account numbers in their text form, empty for none. */
export interface FacetRules {
  /** Of a list of report codes: elements whose accounts each need a code, beside those by number. */
  readonly neededFor: readonly Element[];
  readonly neededOn: string;
  readonly notAllowedOn: string;
}

export interface Facet extends CodeList, FacetRules {}

/** Values of two facets that may not stand on one line; each with all nested below it. */
export interface PairingRule {
  readonly id: number;
  readonly first: ListKey;
  readonly firstValue: string;
  readonly second: ListKey;
  readonly secondValue: string;
  /** Why, in the words of who made the rule. */
  readonly reason: string;
}

export type FacetRefused =
  | { code: 'facet_unknown'; facet: string }
  | { code: 'facet_value_unknown'; facet: string; value: string }
  | { code: 'facet_value_retired'; facet: string; value: string }
  | { code: 'facet_needed'; facet: string }
  | { code: 'facet_not_allowed'; facet: string }
  | { code: 'facets_do_not_pair'; facet: string; value: string; otherFacet: string; otherValue: string; reason: string };

/** Checks the facets of lines on accounts by number; the rules are read once for all lines. */
export function facetCheck(
  facets: readonly Facet[],
  pairings: readonly PairingRule[],
  order: DigitOrder,
): (line: { readonly accountNumber: string; readonly facets: FacetsOfLine }) => FacetRefused | null {
  const facetOf = new Map(
    facets.map((facet) => [
      facet.key,
      {
        name: facet.name,
        values: new Map(facet.codes.map((value) => [value.code, value])),
        isNeededOn: testOf(facet.neededOn, order),
        isNotAllowedOn: testOf(facet.notAllowedOn, order),
      },
    ]),
  );
  const pairs = pairings.flatMap((rule) => {
    const [first, second] = [facets.find(({ key }) => key === rule.first), facets.find(({ key }) => key === rule.second)];
    if (!first || !second) return [];
    return [{ rule, first, second, firsts: new Set(valuesBelow(first, rule.firstValue)), seconds: new Set(valuesBelow(second, rule.secondValue)) }];
  });
  const keys = new Map<string, ReturnType<typeof numberKey>>();
  const keyOf = (number: string) => {
    const before = keys.get(number);
    if (before) return before;
    const made = numberKey(number, order);
    keys.set(number, made);
    return made;
  };
  return (line) => {
    for (const [key, value] of Object.entries(line.facets)) {
      const facet = facetOf.get(key as ListKey);
      if (!facet) return { code: 'facet_unknown', facet: key };
      const listed = facet.values.get(value);
      if (!listed) return { code: 'facet_value_unknown', facet: facet.name, value };
      if (listed.retired) return { code: 'facet_value_retired', facet: facet.name, value };
    }
    const number = keyOf(line.accountNumber);
    for (const [key, facet] of facetOf) {
      const has = line.facets[key] !== undefined;
      if (!has && facet.isNeededOn(number)) return { code: 'facet_needed', facet: facet.name };
      if (has && facet.isNotAllowedOn(number)) return { code: 'facet_not_allowed', facet: facet.name };
    }
    for (const { rule, first, second, firsts, seconds } of pairs) {
      const [value, otherValue] = [line.facets[first.key], line.facets[second.key]];
      if (value !== undefined && otherValue !== undefined && firsts.has(value) && seconds.has(otherValue))
        return { code: 'facets_do_not_pair', facet: first.name, value, otherFacet: second.name, otherValue, reason: rule.reason };
    }
    return null;
  };
}

/** No text holds no account. Stored texts were checked when they were given. */
function testOf(text: string, order: DigitOrder): (key: NumberKey) => boolean {
  if (text.trim() === '') return () => false;
  const read = readRangeText(text, null);
  if (!read.ok) throw new Error(`a stored range cannot be read: ${text}`);
  return rangeTest(read.value, order);
}
