import type { Side } from '../chart/element.ts';
import { orderByNeed } from '../formula/orderByNeed.ts';
import type { LayoutFinding } from './layoutFacts.ts';
import type { Line, SumLine } from './line.ts';
import type { SumOwnLine } from './ownLayout.ts';

interface SumsOverLines {
  /** By key of the sum. */
  readonly sums: ReadonlyMap<string, Pick<SumLine, 'side' | 'terms'>>;
  readonly findings: readonly LayoutFinding[];
}

/** The side and the terms of sums that name lines anywhere in a layout. `otherwise`: the side of a sum over lines of several. */
export function sumsOverLines(own: readonly SumOwnLine[], byKey: ReadonlyMap<string, Line>, otherwise: Side): SumsOverLines {
  const sides = sidesOfSums(own, byKey, otherwise);
  const findings: LayoutFinding[] = [];
  const sums = own.map((sum) => {
    const side = sides.get(sum.key) ?? otherwise;
    const terms = sum.terms.flatMap(({ key, sign }) => {
      const line = byKey.get(key);
      if (!line || line.kind === 'text' || line.kind === 'space') {
        findings.push({ code: 'sum_line_unknown', key: sum.key, named: key });
        return [];
      }
      // Terms count on their own sides, as they are read; kept as what they add to the net amount.
      return [{ key, sign: ((sides.get(key) ?? line.side) === side ? sign : -sign) as 1 | -1 }];
    });
    return [sum.key, { side, terms }] as const;
  });
  return { sums: new Map(sums), findings };
}

/** A sum of lines that all are on one side is on it too. */
function sidesOfSums(own: readonly SumOwnLine[], byKey: ReadonlyMap<string, Line>, otherwise: Side): ReadonlyMap<string, Side> {
  const sums = new Map(own.map((sum) => [sum.key, sum]));
  const sides = new Map<string, Side>();
  const { order } = orderByNeed(sums.keys(), (key) => sums.get(key)?.terms.map((term) => term.key) ?? []);
  for (const key of order) {
    const sum = sums.get(key);
    if (!sum) continue;
    const ofTerms = new Set(sum.terms.flatMap((term) => sides.get(term.key) ?? byKey.get(term.key)?.side ?? []));
    const [only] = ofTerms;
    sides.set(key, sum.side ?? (ofTerms.size === 1 && only ? only : otherwise));
  }
  return sides;
}
