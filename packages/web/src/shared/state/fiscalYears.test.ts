import type { Company } from '@ivory-ladder/contract';
import { makeMonthlyYear, makeYearFrom, type YearForm } from '@ivory-ladder/core';
import { describe, expect, it } from 'vitest';
import { yearBeside, yearHolding } from './fiscalYears.ts';

const weeks: YearForm = { kind: 'weeks', weekday: 7, month: 12, end: 'nearest', pattern: '4 4 5' };
const stored = (year: ReturnType<typeof makeMonthlyYear>) => ({
  ...year,
  name: String(year.year),
  periods: year.periods.map((period) => ({ ...period, isAdjusting: false, lock: null })),
});
const companyOf = (years: ReturnType<typeof makeMonthlyYear>[], yearForm: YearForm): Company =>
  ({ years: years.map(stored), yearForm, fiscalYearFirstMonth: 4 }) as unknown as Company;

describe('the fiscal years that the ribbon shows', () => {
  it('are those that were made, and of months where none was', () => {
    const company = companyOf([makeMonthlyYear(2026, 4)], { kind: 'months' });
    expect(yearHolding(company, '2026-05-01')).toBe(company.years[0]);
    expect(yearHolding(company, '2024-05-01').firstDay).toBe('2024-04-01');
  });

  it('follow one another: made ones, then as they would be made, before the first of months', () => {
    const company = companyOf([makeYearFrom('2025-12-29', weeks)], weeks);
    const year = company.years[0] as Company['years'][number];
    const next = yearBeside(company, year, 1);
    expect([next.firstDay, next.lastDay]).toEqual(['2027-01-04', '2028-01-02']);
    expect(yearBeside(company, next, -1)).toBe(year);
    const before = yearBeside(company, year, -1);
    expect([before.firstDay, before.lastDay, before.periods.at(-1)?.lastDay]).toEqual(['2024-12-29', '2025-12-28', '2025-12-28']);
    const months = companyOf([makeMonthlyYear(2026, 4)], { kind: 'months' });
    expect(yearBeside(months, months.years[0] as Company['years'][number], -1).firstDay).toBe('2025-04-01');
  });
});
