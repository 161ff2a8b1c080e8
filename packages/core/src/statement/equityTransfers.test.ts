import { describe, expect, it } from 'vitest';
import { transfersWithin } from './equityTransfers.ts';

const line = (entryId: number, name: string, debit: bigint, credit: bigint) => ({ entryId, name, debit, credit });
const told = (lines: readonly ReturnType<typeof line>[]) => transfersWithin(lines).map(({ name, debit, credit }) => [name, debit, credit]);

describe('what an entry moves within equity', () => {
  it('is the smaller of both sides: the rest of a bonus issue with a dividend went to owners', () => {
    expect(told([line(1, 'retained', 150n, 0n), line(1, 'capital', 0n, 50n)])).toEqual([
      ['retained', 50n, 0n],
      ['capital', 0n, 50n],
    ]);
  });

  it('is allotted by amount on each side, a unit left over to the largest remainder', () => {
    expect(told([line(1, 'a', 10n, 0n), line(1, 'b', 20n, 0n), line(1, 'c', 0n, 10n)])).toEqual([
      ['a', 3n, 0n],
      ['b', 7n, 0n],
      ['c', 0n, 10n],
    ]);
  });

  it('is nothing where equity stands on one side alone, and of each entry by itself', () => {
    expect(told([line(1, 'dividends', 100n, 0n), line(2, 'capital', 0n, 100n)])).toEqual([]);
  });
});
