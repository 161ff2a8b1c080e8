import type { Company } from '@ivory-ladder/contract';
import { makeMonthlyYear } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { spanInAddress } from './spanInAddress.ts';

const company = (lastEntryDay: string | null, firstMonth = 1, years = [2025, 2026]): Company =>
  ({ lastEntryDay, fiscalYearFirstMonth: firstMonth, years: years.map((year) => makeMonthlyYear(year, firstMonth)) }) as unknown as Company;
const spanOf = (search: string, of = company('2026-09-12')) => spanInAddress(of, new URLSearchParams(search));

describe('the span of an address', () => {
  it('is from the first day of the fiscal year to the end of the month of the last entry where it names none', () => {
    expect(spanOf('')).toEqual({ from: '2026-01-01', to: '2026-09-30', compare: 'usual' });
    expect(spanOf('', company('2026-02-28'))).toMatchObject({ to: '2026-02-28' });
    expect(spanOf('', company('2026-03-31', 4, [2025]))).toMatchObject({ from: '2025-04-01', to: '2026-03-31' });
  });

  it('is the last year that was made where there is no entry, and about today where there is no year', () => {
    expect(spanOf('', company(null))).toMatchObject({ from: '2026-01-01', to: '2026-12-31' });
    const { from, to } = spanOf('', company(null, 7, []));
    const today = new Date().toISOString().slice(0, 10);
    expect([from.slice(4), to.slice(4), from <= today && today <= to]).toEqual(['-07-01', '-06-30', true]);
  });

  it('is what it names, each end by itself; what is no day is not named', () => {
    expect(spanOf('from=2026-03-01&to=2026-03-31')).toMatchObject({ from: '2026-03-01', to: '2026-03-31' });
    expect(spanOf('to=2026-03-31')).toMatchObject({ from: '2026-01-01', to: '2026-03-31' });
    expect(spanOf('from=2026-02-30&to=soon')).toMatchObject({ from: '2026-01-01', to: '2026-09-30' });
  });

  it('never begins after it ends: then it is its last day', () => {
    expect(spanOf('from=2026-10-01&to=2026-09-30')).toMatchObject({ from: '2026-09-30', to: '2026-09-30' });
  });

  it('is compared as it says, with fixed days only where it names both', () => {
    expect(spanOf('compare=year_earlier').compare).toBe('year_earlier');
    expect(spanOf('compare=whatever').compare).toBe('usual');
    expect(spanOf('compare=fixed&compareFrom=2024-01-01')).toEqual({ from: '2026-01-01', to: '2026-09-30', compare: 'usual' });
    expect(spanOf('compare=fixed&compareFrom=2024-01-01&compareTo=2024-06-30')).toMatchObject({
      compare: 'fixed',
      compareFrom: '2024-01-01',
      compareTo: '2024-06-30',
    });
    // Days that nothing is compared with are no part of what is asked for.
    expect(spanOf('compareFrom=2024-01-01&compareTo=2024-06-30')).not.toHaveProperty('compareFrom');
  });

  it('leaves adjustments out only where it says so', () => {
    expect(spanOf('adjusting=before')).toHaveProperty('adjusting', 'before');
    expect(spanOf('adjusting=after')).not.toHaveProperty('adjusting');
  });
});
