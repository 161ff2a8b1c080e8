import { expect, it } from 'vitest';
import { bytesOfArrays } from './bytesOfArrays.ts';

it('arrays are counted exactly, through lists, maps and objects, and one that is shared once', () => {
  const shared = new BigInt64Array(1000);
  const plain = bytesOfArrays({ a: 1, b: [] });
  expect(bytesOfArrays({ a: shared, b: [shared] }) - plain).toBe(8000);
  expect(bytesOfArrays(new Map([[1, { at: new Uint32Array(10), debit: new BigInt64Array(10) }]]), new Set([shared]))).toBeGreaterThanOrEqual(8120);
  expect(bytesOfArrays(null, 'text', 5n, undefined)).toBe(0);
});
