import type { Currency, DigitOrder, FiscalYear, LayoutOptions, Outcome, Role } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Person } from './peopleStore.ts';

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
  /** Those that the person belongs to. */
  list(personId: number): Promise<{ id: number; name: string; currency: string; role: Role }[]>;
  /** For the demo, which is loaded once. */
  findByName(name: string): Promise<number | null>;
  /** Its maker becomes its administrator. */
  create(input: { name: string; currency: string; fiscalYearFirstMonth: number }, person: Person): Promise<number>;
  makeYears(companyId: number, years: readonly FiscalYear[], expectedStructure: number, actor: string): Promise<Outcome<null, Failure>>;
  setLayoutOptions(companyId: number, options: LayoutOptions, version: number, actor: string): Promise<Outcome<number, Failure>>;
}
