import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { visibleOrder } from './visibleOrder.ts';

const everything = { shut: new Set<number>(), isSought: null, compare: null };

describe('the visible order of a tree', () => {
  const depth = [0, 1, 2, 1, 0, 1];

  it('puts away all that stands below a shut row, and nothing beside it', () => {
    expect([...visibleOrder({ ...everything, depth, shut: new Set([0]) })]).toEqual([0, 4, 5]);
    expect([...visibleOrder({ ...everything, depth, shut: new Set([1, 4]) })]).toEqual([0, 1, 3, 4]);
  });

  it('finds a row that is sought under a shut one', () => {
    expect([...visibleOrder({ ...everything, depth, shut: new Set([0]), isSought: (row) => row === 2 })]).toEqual([2]);
  });

  it('orders by what is compared, and rows that tie by the tree', () => {
    const amounts = [3n, 1n, 3n, 2n, 1n, 0n];
    const compare = (a: number, b: number) => Number((amounts[b] as bigint) - (amounts[a] as bigint));
    expect([...visibleOrder({ ...everything, depth, compare })]).toEqual([0, 2, 3, 1, 4, 5]);
  });

  it('shows a row exactly when none of its ancestors is shut', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(3), { maxLength: 30 }), fc.array(fc.nat(29)), (steps, shutRows) => {
        const nested: number[] = [];
        for (const step of steps) nested.push(nested.length === 0 ? 0 : Math.min(step, (nested.at(-1) as number) + 1));
        const shut = new Set(shutRows);
        const expected = nested.flatMap((level, row) => {
          let wanted = level - 1;
          for (let at = row - 1; at >= 0 && wanted >= 0; at--)
            if (nested[at] === wanted) {
              if (shut.has(at)) return [];
              wanted--;
            }
          return [row];
        });
        expect([...visibleOrder({ ...everything, depth: nested, shut })]).toEqual(expected);
      }),
      { seed: 421 },
    );
  });
});
