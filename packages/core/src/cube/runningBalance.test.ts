import { describe, expect, it } from 'vitest';
import { makeCalendar, makeMonthlyYear } from '../calendar/fiscalCalendar.ts';
import { daysOfRunningBalances, runningBalances } from './runningBalance.ts';

const calendar = makeCalendar([2025, 2026].flatMap((year) => makeMonthlyYear(year, 1).periods));
const line = (date: string, net: bigint, closesYear: number | null = null) => ({ date, net, closesYear });

describe('the running balance (own computation)', () => {
  it('of a balance sheet account runs on over the year’s end', () => {
    const lines = [line('2026-02-01', -30n), line('2026-01-15', 50n), line('2025-12-31', 7n), line('2025-06-30', 100n)];
    const atEnd: Record<string, bigint> = { '2026-02-01': 127n, '2025-12-31': 107n };
    expect(daysOfRunningBalances(calendar, lines)).toEqual(['2026-02-01', '2025-12-31']);
    expect(runningBalances(calendar, lines, 0n, (day) => atEnd[day] as bigint)).toEqual([127n, 157n, 107n, 100n]);
  });

  it('of an income account begins each fiscal year at zero, whenever and whether its year was closed; a closing line shows what it leaves', () => {
    const ordinary = [line('2026-03-01', -5n), line('2026-01-10', -20n), line('2025-11-30', -60n), line('2025-02-01', -40n)];
    const atEnd: Record<string, bigint> = { '2026-03-01': -25n, '2026-01-20': -20n, '2025-12-31': -100n, '2025-11-30': -100n };
    const running = (lines: typeof ordinary) => runningBalances(calendar, lines, 0n, (day) => atEnd[day] as bigint);
    expect(running(ordinary)).toEqual([-25n, -20n, -100n, -40n]);
    const [march, january, november, february] = ordinary as [(typeof ordinary)[0], (typeof ordinary)[0], (typeof ordinary)[0], (typeof ordinary)[0]];
    expect(running([march, january, line('2025-12-31', 100n, 2025), november, february])).toEqual([-25n, -20n, 0n, -100n, -40n]);
    expect(running([march, line('2026-01-20', 100n, 2025), january, november, february])).toEqual([-25n, 0n, -20n, -100n, -40n]);
  });

  it('of a page that begins within a day leaves the lines before it out', () => {
    expect(runningBalances(calendar, [line('2026-02-01', 10n), line('2026-02-01', 5n)], 30n, () => 100n)).toEqual([70n, 60n]);
  });

  it('of nothing is nothing', () => {
    expect([daysOfRunningBalances(calendar, []), runningBalances(calendar, [], 0n, () => 1n)]).toEqual([[], []]);
  });
});
