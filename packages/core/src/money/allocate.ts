/**
 * Parts of a whole in proportion to weights, by largest remainder: each is rounded down, then what is left goes one minor
 * unit at a time to those that lost most, the first of equals first. The parts add up to the whole exactly; where no weight
 * is below zero, they have its sign. The weights add up to something else than nothing; a part without weight gets nothing.
 * Cost: parts × log parts.
 */
export function allocate(whole: bigint, weights: readonly bigint[]): bigint[] {
  const total = weights.reduce((sum, weight) => sum + weight, 0n);
  if (total === 0n) throw new Error('a whole is allocated to weights that add up to something');
  const [size, sign] = whole < 0n ? [-whole, -1n] : [whole, 1n];
  const [sum, turn] = total < 0n ? [-total, -1n] : [total, 1n];
  const parts = weights.map((weight, at) => {
    const share = size * weight * turn;
    const remainder = ((share % sum) + sum) % sum;
    return { at, part: (share - remainder) / sum, remainder };
  });
  let left = size - parts.reduce((allotted, { part }) => allotted + part, 0n);
  for (const one of parts.toSorted((a, b) => (a.remainder === b.remainder ? a.at - b.at : a.remainder > b.remainder ? -1 : 1))) {
    if (left === 0n) break;
    one.part += 1n;
    left -= 1n;
  }
  return parts.map(({ part }) => sign * part);
}
