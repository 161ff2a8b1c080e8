/**
 * Whole units for the exact parts of a sum that was rounded to `whole`: each part gets the unit below or above it, by largest remainder, the
 * first of equals first, so that they add up to the whole. `exact`: in units × `per`, of any sign; a part without anything gets nothing.
 * Where the whole is further from their sum than one unit for each part, several go to each. Without parts nothing is allotted.
 * Cost: parts × log parts.
 */
export function allotRounded(whole: bigint, exact: readonly bigint[], per: bigint): bigint[] {
  const parts = exact.map((amount, at) => {
    const above = amount % per;
    const remainder = above < 0n ? above + per : above;
    return { at, units: (amount - remainder) / per, remainder };
  });
  const bearing = parts.filter(({ at }) => exact[at] !== 0n);
  if (bearing.length > 0) {
    const left = whole - parts.reduce((sum, { units }) => sum + units, 0n);
    const count = BigInt(bearing.length);
    // Between none and one for each, unless the whole is not the rounded sum.
    const extra = left >= 0n && left <= count ? 0n : (left - (((left % count) + count) % count)) / count;
    const more = Number(left - extra * count);
    const ordered = more === 0 ? bearing : bearing.toSorted((a, b) => (a.remainder === b.remainder ? a.at - b.at : a.remainder > b.remainder ? -1 : 1));
    for (const [place, part] of ordered.entries()) part.units += extra + (place < more ? 1n : 0n);
  }
  return parts.map(({ units }) => units);
}
