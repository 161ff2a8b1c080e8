import { describe, expect, it } from 'vitest';
import { awaitAnswer, readAnswer, shareAnswer, writeAnswer } from './sharedAnswer.ts';

describe('an answer in shared memory', () => {
  it('is read by its place, and by no other', () => {
    const shared = shareAnswer() as SharedArrayBuffer;
    expect(readAnswer(shared, 1)).toBeNull();
    writeAnswer(shared, 1, '{"caption":"Café"}');
    expect([readAnswer(shared, 1), readAnswer(shared, 2)]).toEqual(['{"caption":"Café"}', null]);
    writeAnswer(shared, 2, '[1]');
    expect([readAnswer(shared, 1), readAnswer(shared, 2)]).toEqual([null, '[1]']);
  });

  it('is not read while it is being written, and left where it is too large', () => {
    const shared = shareAnswer() as SharedArrayBuffer;
    writeAnswer(shared, 1, 'whole');
    const head = new Int32Array(shared, 0, 1);
    Atomics.add(head, 0, 1);
    expect(readAnswer(shared, 1)).toBeNull();
    Atomics.add(head, 0, 1);
    writeAnswer(shared, 2, 'x'.repeat(600_000));
    expect([readAnswer(shared, 2), readAnswer(shared, 1)]).toEqual([null, 'whole']);
  });

  it('is waited for no longer than is said', () => {
    const shared = shareAnswer() as SharedArrayBuffer;
    const began = performance.now();
    expect(awaitAnswer(shared, 1, 5)).toBeNull();
    expect(performance.now() - began).toBeGreaterThanOrEqual(5);
    writeAnswer(shared, 1, 'there');
    expect(awaitAnswer(shared, 1, 10_000)).toBe('there');
  });
});
