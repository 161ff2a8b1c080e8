import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type DraftLine, differenceOf, faultsOf, offeredOn } from './entryDraft.ts';

const line = (accountId: number | null, debit = 0n, credit = 0n): DraftLine => ({ accountId, debit, credit });

describe('an entry being written', () => {
  it('offers on an empty line what brings it into balance, on the side that lacks it', () => {
    const lines = [line(1, 500n), line(2, 0n, 120n), line(null)];
    expect([differenceOf(lines), offeredOn(lines, 2), offeredOn(lines, 1)]).toEqual([380n, { side: 'credit', amount: 380n }, null]);
    expect(offeredOn([line(1, 0n, 7n), line(null)], 1)).toEqual({ side: 'debit', amount: 7n });
  });

  it('is in balance once what is offered is taken, whatever the lines', () => {
    const amounts = fc.array(fc.record({ debit: fc.bigInt(0n, 10n ** 15n), isCredit: fc.boolean() }), { maxLength: 20 });
    fc.assert(
      fc.property(amounts, (given) => {
        const lines = [...given.map(({ debit, isCredit }) => (isCredit ? line(1, 0n, debit) : line(1, debit))), line(2)];
        const offered = offeredOn(lines, lines.length - 1);
        const taken = offered ? [...lines.slice(0, -1), offered.side === 'debit' ? line(2, offered.amount) : line(2, 0n, offered.amount)] : lines;
        expect(differenceOf(taken)).toBe(0n);
      }),
      { seed: 415 },
    );
  });

  it('says line by line what stands in the way, and passes over lines with nothing on them', () => {
    expect(faultsOf([line(1, 5n), line(2, 0n, 5n), line(null)])).toEqual([]);
    expect(faultsOf([line(null, 5n), line(2), line(3, 1n, 1n)])).toEqual([
      { code: 'account_missing', line: 0 },
      { code: 'amount_missing', line: 1 },
      { code: 'amount_on_both_sides', line: 2 },
      { code: 'out_of_balance', by: 5n, missing: 'credit' },
    ]);
    expect(faultsOf([line(1, 0n, 9n)])).toEqual([{ code: 'too_few_lines' }, { code: 'out_of_balance', by: 9n, missing: 'debit' }]);
  });
});
