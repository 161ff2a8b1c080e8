/** So many entries otherwise, and what is underneath is made anew. */
const mostOver = 1000;

/**
 * A map with some entries other than those of a map underneath, without a copy of all that stays: who moves one account of thousands pays for one.
 * Entries that are there underneath keep their place in the order.
 */
export class OverlaidMap<Key, Value> implements ReadonlyMap<Key, Value> {
  readonly size: number;

  private constructor(
    private readonly under: ReadonlyMap<Key, Value>,
    /** `undefined`: it is not there. */
    private readonly over: ReadonlyMap<Key, Value | undefined>,
  ) {
    let { size } = under;
    for (const [key, value] of over) size += Number(value !== undefined) - Number(under.has(key));
    this.size = size;
  }

  /** `changes`: `undefined` takes an entry away. Cost: changes, and those that were laid over it before. */
  static of<Key, Value>(map: ReadonlyMap<Key, Value>, changes: Iterable<readonly [Key, Value | undefined]>): ReadonlyMap<Key, Value> {
    const [under, before] = map instanceof OverlaidMap ? [map.under as ReadonlyMap<Key, Value>, map.over as ReadonlyMap<Key, Value | undefined>] : [map, null];
    const over = new Map<Key, Value | undefined>(before);
    for (const [key, value] of changes) over.set(key, value);
    const overlaid = new OverlaidMap(under, over);
    return over.size > mostOver || under.size === 0 ? new Map(overlaid) : overlaid;
  }

  get(key: Key): Value | undefined {
    return this.over.has(key) ? this.over.get(key) : this.under.get(key);
  }

  has(key: Key): boolean {
    return this.over.has(key) ? this.over.get(key) !== undefined : this.under.has(key);
  }

  *entries(): MapIterator<[Key, Value]> {
    for (const [key, value] of this.under) {
      if (!this.over.has(key)) yield [key, value];
      else {
        const other = this.over.get(key);
        if (other !== undefined) yield [key, other];
      }
    }
    for (const [key, value] of this.over) if (value !== undefined && !this.under.has(key)) yield [key, value];
  }

  [Symbol.iterator](): MapIterator<[Key, Value]> {
    return this.entries();
  }

  *keys(): MapIterator<Key> {
    for (const [key] of this.entries()) yield key;
  }

  *values(): MapIterator<Value> {
    for (const [, value] of this.entries()) yield value;
  }

  /** By far the quickest to go through it. */
  forEach(each: (value: Value, key: Key, map: ReadonlyMap<Key, Value>) => void): void {
    this.under.forEach((value, key) => {
      const shown = this.over.has(key) ? this.over.get(key) : value;
      if (shown !== undefined) each(shown, key, this);
    });
    for (const [key, value] of this.over) if (value !== undefined && !this.under.has(key)) each(value, key, this);
  }
}
