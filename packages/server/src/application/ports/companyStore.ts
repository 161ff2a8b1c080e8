import type { Currency, DigitOrder, FiscalYear, LayoutOptions, Outcome } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';

export interface CompanyRecord {
  readonly id: number;
  readonly name: string;
  readonly currency: Currency;
  readonly fiscalYearFirstMonth: number;
  readonly digitOrder: DigitOrder;
  /** Grows with each posting. */
  readonly revision: number;
  /** Grows with each change of chart, calendar, placement or layout options. */
  readonly structureVersion: number;
}

export interface CompanyStore {
  list(): Promise<{ id: number; name: string; currency: string }[]>;
  create(input: { name: string; currency: string; fiscalYearFirstMonth: number }, actor: string): Promise<number>;
  makeYears(companyId: number, years: readonly FiscalYear[], expectedStructure: number, actor: string): Promise<Outcome<null, Failure>>;
  setLayoutOptions(companyId: number, options: LayoutOptions, version: number, actor: string): Promise<Outcome<number, Failure>>;
}
