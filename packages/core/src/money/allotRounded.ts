/**
 * Whole units for the exact parts of a sum that was rounded to `whole`: each part gets the unit below or above it, by largest remainder, the
 * first of equals first, so that they add up to the whole. `exact`: in units × `per`, of any sign; a part without anything gets nothing.
 * Where the whole is further from their sum than one unit for each part, several go to each. Without parts nothing is allotted.
 * Cost: parts × log parts.
 */
export function allotRounded(whole: bigint, exact: readonly bigint[], per: bigint): bigint[] {
  const units: bigint[] = [];
  const remainders: bigint[] = [];
  const bearing: number[] = [];
  for (const [at, amount] of exact.entries()) if (amount !== 0n) bearing.push(at);
  // Many thousands of accounts have all they have in one part.
  if (bearing.length < 2) return exact.map((amount) => (amount === 0n ? 0n : whole));
  let left = whole;
  for (const amount of exact) {
    const above = amount % per;
    const remainder = above < 0n ? above + per : above;
    const unit = (amount - remainder) / per;
    remainders.push(remainder);
    units.push(unit);
    left -= unit;
  }
  if (left === 0n) return units;
  const count = BigInt(bearing.length);
  // None or one for each, unless the whole is not the rounded sum.
  const more = ((left % count) + count) % count;
  const extra = left === count ? 1n : (left - more) / count;
  const ordered = bearing.sort((a, b) => {
    const [first, second] = [remainders[a] as bigint, remainders[b] as bigint];
    return first === second ? a - b : first > second ? -1 : 1;
  });
  for (const [place, at] of ordered.entries()) units[at] = (units[at] as bigint) + extra + (BigInt(place) < more ? 1n : 0n);
  return units;
}
