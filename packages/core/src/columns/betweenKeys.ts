/** Keys of the columns from one to the other, both included; `null` where they do not stand in this order. */
export function betweenKeys(keys: readonly string[]): (from: string, to: string) => readonly string[] | null {
  return (from, to) => {
    const [first, last] = [keys.indexOf(from), keys.indexOf(to)];
    return first < 0 || last < first ? null : keys.slice(first, last + 1);
  };
}
