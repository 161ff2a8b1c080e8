import { makeCalendar, makeMonthlyYear } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import type { Books } from '../ports/index.ts';
import { FaultGroups } from './faultGroups.ts';

const books = {
  company: { fiscalYearFirstMonth: 4, yearForm: { kind: 'months' } },
  calendar: makeCalendar(makeMonthlyYear(2025, 4).periods),
} as unknown as Books;
const grouped = (faults: readonly (readonly [row: number, code: string, found?: string])[], untold = 0) => {
  const groups = new FaultGroups(books);
  for (const [row, code, found] of faults) groups.add({ row, code, facts: found === undefined ? {} : { found } });
  return groups.all(untold).map(({ row, code, facts, count }) => [row, code, facts.year ?? facts.found ?? null, count]);
};

describe('faults of a file of journal lines', () => {
  it('of days are counted by the fiscal year that is missing, and say whether it can be made', () => {
    const faults = [
      [2, 'day_outside_calendar', '2026-04-01'],
      [3, 'day_outside_calendar', '2027-03-31'],
      [4, 'day_outside_calendar', '2027-04-01'],
      [5, 'day_outside_calendar', '2025-03-31'],
    ] as const;
    expect(grouped(faults)).toEqual([
      [2, 'day_outside_calendar', '2026', 2],
      [4, 'day_outside_calendar', '2027', 1],
      [5, 'day_outside_calendar', '2024', 1],
    ]);
    const far = new FaultGroups(books);
    far.add({ row: 2, code: 'day_outside_calendar', facts: { found: '2206-05-01' } });
    expect(far.all(0)[0]?.facts).toMatchObject({ mayMake: false });
  });

  it('of accounts are counted by the account, whatever its case; others by their kind', () => {
    expect(
      grouped([
        [9, 'amount_unreadable', 'x'],
        [2, 'account_unknown', 'A1'],
        [3, 'account_unknown', 'a1'],
        [4, 'account_unknown', 'A2'],
        [5, 'amount_unreadable', 'y'],
        [6, 'amount_missing'],
        [7, 'period_locked', '2025-04-30'],
        [8, 'period_locked', '2025-05-01'],
      ]),
    ).toEqual([
      [2, 'account_unknown', 'A1', 2],
      [4, 'account_unknown', 'A2', 1],
      [6, 'amount_missing', null, 1],
      [7, 'period_locked', '2025-04-30', 1],
      [8, 'period_locked', '2025-05-01', 1],
      [9, 'amount_unreadable', 'x', 2],
    ]);
  });

  it('beyond the kinds that are told are counted with the last of their code, so that none is lost', () => {
    const many = Array.from({ length: 500 }, (_, at) => [at + 2, 'account_unknown', `A${at}`] as const);
    const groups = grouped(many);
    expect(groups.length).toBe(200);
    expect(groups.reduce((sum, [, , , count]) => sum + Number(count), 0)).toBe(500);
  });

  it('of entries are counted with those that were not told one by one', () => {
    expect(
      grouped(
        [
          [2, 'entry_out_of_balance'],
          [7, 'entry_out_of_balance'],
        ],
        40,
      ),
    ).toEqual([[2, 'entry_out_of_balance', null, 42]]);
  });
});
