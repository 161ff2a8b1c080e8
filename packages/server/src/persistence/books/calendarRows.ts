import type { FiscalYear } from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import { insertRows } from '../database/index.ts';

export function insertYears(runner: QueryRunner, companyId: number, years: readonly FiscalYear[]): Promise<void> {
  const periods = years.flatMap((year) => year.periods);
  return insertRows(
    runner,
    'fiscal_period (company_id, year, number, first_day, last_day, is_adjusting)',
    periods.map((period) => [companyId, period.year, period.number, period.firstDay, period.lastDay, period.isAdjusting ? 1 : 0]),
  );
}
