import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '../calendar/day.ts';
import { addDaysUntil, type DayRow, groupDayBalances } from './dayBalances.ts';
import { layers } from './layer.ts';

const accountIds = [3, 8, 20];
const indexOf = new Map(accountIds.map((id, at) => [id, at]));
const empty = () => ({ debit: new BigInt64Array(3), credit: new BigInt64Array(3) });

describe('balances by day', () => {
  it('hold for every day what the lines up to it add up to, whatever their order', () => {
    const row = fc.record<DayRow>({
      day: fc.nat(30).map((days) => addDays('2026-03-01', days)),
      layer: fc.constantFrom(...layers),
      accountId: fc.constantFrom(...accountIds),
      debit: fc.bigInt(0n, 10n ** 12n),
      credit: fc.bigInt(0n, 10n ** 12n),
    });
    fc.assert(
      fc.property(fc.array(row, { maxLength: 60 }), fc.nat(30), (rows, days) => {
        const until = addDays('2026-03-01', days);
        const sums = { ledger: empty(), adjustment: empty() };
        addDaysUntil(sums, groupDayBalances(indexOf, rows), until);
        for (const layer of layers)
          for (const [at, accountId] of accountIds.entries()) {
            const counted = rows.filter((one) => one.layer === layer && one.accountId === accountId && one.day <= until);
            expect(sums[layer].debit[at]).toBe(counted.reduce((sum, { debit }) => sum + debit, 0n));
            expect(sums[layer].credit[at]).toBe(counted.reduce((sum, { credit }) => sum + credit, 0n));
          }
      }),
      { seed: 4 },
    );
  });
});
