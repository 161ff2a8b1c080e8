import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inUnit } from '../statement/scale.ts';
import { FootingNetwork } from './network.ts';

/** Units of exact amounts, of thousands, and of rates with many decimals; the last are beyond what is reckoned in floats. */
const units = [1n, 10n, 100_000n, 100_000_000n, 2n ** 30n - 1n, 2n ** 30n, 10n ** 14n];

function figureOf(exact: bigint, times: bigint, over: bigint): bigint {
  const network = new FootingNetwork({ times, over });
  const cell = network.addCell(network.addNode(), network.addNode(), { exact });
  return network.figure(cell);
}

describe('a figure by itself in a footing network', () => {
  it('is rounded half away from zero, whether it is reckoned in floats or in whole numbers of any size', () => {
    const amount = fc.oneof(
      fc.bigInt({ min: -(2n ** 62n), max: 2n ** 62n }),
      fc.bigInt({ min: -(2n ** 51n), max: 2n ** 51n }),
      fc.bigInt({ min: -1000n, max: 1000n }),
    );
    fc.assert(
      fc.property(amount, fc.constantFrom(...units), fc.constantFrom(1n, 7n, 113_250n), (exact, over, times) => {
        expect(figureOf(exact, times, over)).toBe(inUnit(exact, { times, over }));
      }),
      { numRuns: 3000 },
    );
  });

  it('stands beside whole figures and halves as they are, on both sides of zero and of the bound', () => {
    for (const over of units)
      for (const whole of [0n, 1n, -1n, 12_345n, -12_345n, 2n ** 50n / over, -(2n ** 50n) / over])
        for (const rest of [0n, 1n, over / 2n, over - 1n])
          for (const sign of [1n, -1n]) {
            const exact = whole * over + sign * rest;
            expect(figureOf(exact, 1n, over)).toBe(inUnit(exact, { times: 1n, over }));
          }
  });
});
