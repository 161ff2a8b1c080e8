import { describe, expect, it } from 'vitest';
import { pickedWith } from './useRangePick.ts';

const shown = [10, 20, 30, 40];
const pick = (picked: readonly number[], key: number, from: number | null) => [...pickedWith(shown, new Set(picked), key, from)].sort((a, b) => a - b);

describe('boxes picked in a list', () => {
  it('are picked and let go one by one', () => {
    expect(pick([], 20, null)).toEqual([20]);
    expect(pick([20, 30], 20, null)).toEqual([30]);
  });

  it('are picked from the one clicked before on, in either direction; what was picked stays', () => {
    expect(pick([10], 40, 20)).toEqual([10, 20, 30, 40]);
    expect(pick([40], 10, 30)).toEqual([10, 20, 30, 40]);
    expect(pick([10, 20], 20, 20)).toEqual([10, 20]);
  });

  it('are picked alone where the one clicked before is shown no more', () => {
    expect(pick([], 30, 99)).toEqual([30]);
    expect(pick([99], 99, null)).toEqual([]);
  });
});
