import type { PlacementEffect } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { readEffect, writeEffect } from './effectText.ts';

const ties = { outOfBalance: 0n, profitMissed: -(2n ** 62n), atFault: 3, atStake: 120_000n } as PlacementEffect['before'];

describe('an effect in the memory that page and worker share', () => {
  it('comes back as it was, amounts of any size and numbers among its texts', () => {
    const effect = {
      lines: [{ kind: 'balance_sheet', key: 'category.1', role: 'line', caption: '12n', depth: 1, before: [1n, null], after: null }],
      before: ties,
      after: { ...ties, outOfBalance: 1n },
    } as unknown as PlacementEffect;
    expect(readEffect(writeEffect(effect))).toEqual(effect);
  });

  it('of no draft is none', () => {
    expect(readEffect(writeEffect(null))).toBeNull();
  });
});
