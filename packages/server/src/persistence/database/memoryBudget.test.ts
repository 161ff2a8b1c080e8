import { describe, expect, it } from 'vitest';
import { MemoryBudget } from './memoryBudget.ts';

const value = (name: string) => ({ name });

describe('what is kept in memory', () => {
  it('goes by use: what was asked for longest ago makes room', () => {
    const memory = new MemoryBudget(100);
    for (const key of ['a', 'b', 'c']) memory.keep('books', key, value(key), 30);
    expect(memory.get('books', 'a')).toEqual(value('a'));
    memory.keep('books', 'd', value('d'), 30);
    expect(['a', 'b', 'c', 'd'].map((key) => memory.get('books', key) !== undefined)).toEqual([true, false, true, true]);
  });

  it('that alone takes more than there is room for is kept alone', () => {
    const memory = new MemoryBudget(100);
    memory.keep('books', 'small', value('small'), 10);
    memory.keep('books', 'large', value('large'), 500);
    expect([memory.get('books', 'small'), memory.get('books', 'large')]).toEqual([undefined, value('large')]);
    memory.keep('books', 'next', value('next'), 10);
    expect([memory.get('books', 'large'), memory.get('books', 'next')]).toEqual([undefined, value('next')]);
  });

  it('kept anew counts once, with its latest size', () => {
    const memory = new MemoryBudget(100);
    for (const bytes of [90, 20, 40]) memory.keep('books', 'a', value(String(bytes)), bytes);
    memory.keep('books', 'b', value('b'), 60);
    expect([memory.get('books', 'a'), memory.get('books', 'b')]).toEqual([value('40'), value('b')]);
    expect(memory.shares()).toEqual([{ kind: 'books', count: 2, bytes: 100, made: 4 }]);
  });

  it('under one key is another thing for another kind; shares tell the largest first, and what was made and is gone', () => {
    const memory = new MemoryBudget(100);
    memory.keep('books', 'a', value('books'), 10);
    memory.keep('documents' as 'books', 'a', value('documents'), 50);
    expect(memory.get('books', 'a')).toEqual(value('books'));
    memory.keep('books', 'b', value('b'), 95);
    expect(memory.shares().map(({ kind, count, bytes, made }) => [kind, count, bytes, made])).toEqual([
      ['books', 1, 95, 2],
      ['documents', 0, 0, 1],
    ]);
  });
});
