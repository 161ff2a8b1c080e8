/**
 * Parts of a whole in proportion to weights, by largest remainder: each is rounded towards zero, then what is left goes
 * one minor unit at a time to those that lost most, the first of equals first. The parts add up to the whole exactly, and
 * have its sign. At least one weight is above zero and none is below; a part without weight gets nothing.
 * Cost: parts × log parts.
 */
export function allocate(whole: bigint, weights: readonly bigint[]): bigint[] {
  const sum = weights.reduce((total, weight) => total + weight, 0n);
  if (sum <= 0n || weights.some((weight) => weight < 0n)) throw new Error('a whole is allocated to weights that add up to more than nothing');
  const [size, sign] = whole < 0n ? [-whole, -1n] : [whole, 1n];
  const parts = weights.map((weight, at) => ({ at, part: (size * weight) / sum, remainder: (size * weight) % sum }));
  let left = size - parts.reduce((total, { part }) => total + part, 0n);
  for (const one of parts.toSorted((a, b) => (a.remainder === b.remainder ? a.at - b.at : a.remainder > b.remainder ? -1 : 1))) {
    if (left === 0n) break;
    one.part += 1n;
    left -= 1n;
  }
  return parts.map(({ part }) => sign * part);
}
