/** A small seeded generator (xorshift32) of whole numbers below a bound, so that every run asks the same questions. */
export function seeded(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) % below;
  };
}
