import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { OverlaidMap } from './overlaidMap.ts';

const changes = fc.array(fc.tuple(fc.integer({ min: 0, max: 12 }), fc.option(fc.string(), { nil: undefined })), { maxLength: 8 });

describe('a map laid over another', () => {
  it('is as a copy with the same changes, whatever is laid over it again', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.integer({ min: 0, max: 12 }), fc.string())), fc.array(changes, { maxLength: 5 }), (entries, layers) => {
        const copy = new Map(entries);
        let overlaid: ReadonlyMap<number, string> = new Map(entries);
        for (const layer of layers) {
          overlaid = OverlaidMap.of(overlaid, layer);
          for (const [key, value] of layer) {
            if (value === undefined) copy.delete(key);
            else copy.set(key, value);
          }
        }
        expect(overlaid.size).toBe(copy.size);
        expect(new Map(overlaid)).toEqual(copy);
        expect([...overlaid.keys()].sort()).toEqual([...copy.keys()].sort());
        expect([...overlaid.values()].sort()).toEqual([...copy.values()].sort());
        for (let key = 0; key <= 12; key++) {
          expect(overlaid.get(key)).toBe(copy.get(key));
          expect(overlaid.has(key)).toBe(copy.has(key));
        }
        const each: [number, string][] = [];
        overlaid.forEach((value, key) => void each.push([key, value]));
        expect(each).toEqual([...overlaid]);
      }),
    );
  });

  it('leaves what is underneath as it is, and keeps its order', () => {
    const under = new Map([
      ['a', 1],
      ['b', 2],
      ['c', 3],
    ]);
    const over = OverlaidMap.of(under, [
      ['d', 4],
      ['b', 20],
      ['a', undefined],
    ]);
    expect([...over]).toEqual([
      ['b', 20],
      ['c', 3],
      ['d', 4],
    ]);
    expect([...under.values()]).toEqual([1, 2, 3]);
  });

  it('is made anew once a thousand entries are laid over it', () => {
    const many = Array.from({ length: 1001 }, (_, at): [number, number] => [at, -at]);
    const made = OverlaidMap.of(new Map([[5000, 1]]), many);
    expect(made).toBeInstanceOf(Map);
    expect(made.size).toBe(1002);
  });
});
