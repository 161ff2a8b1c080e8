import type { FiscalYear, LayoutOptions, NewChart, Outcome, Period, PlacementDraft, RoleKey, YearForm } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';
import type { PeriodLock } from './books.ts';
import type { CompanyRecord } from './companyRecord.ts';
import type { Kept } from './layoutStore.ts';
import type { Person } from './peopleStore.ts';

export type CompanySettings = Pick<
  CompanyRecord,
  'name' | 'fiscalYearFirstMonth' | 'digitOrder' | 'numberScheme' | 'repeatedNames' | 'numbered' | 'languages'
> & {
  readonly currency: string;
};

/** Names of the classifications that a company begins with; drafts of the others name accounts by the keys of the chart. */
export interface BegunPlacements {
  readonly main: string;
  readonly others: readonly { readonly name: string; readonly draft: PlacementDraft }[];
}

export interface BegunCompany {
  readonly chart: NewChart;
  readonly options: LayoutOptions | null;
  readonly placements: BegunPlacements;
}

export interface ChangedNumber {
  readonly id: number;
  /** Empty: none. */
  readonly before: string;
  readonly after: string;
}

export interface CompanyStore {
  /** Those that the person belongs to. */
  list(personId: number): Promise<{ id: number; name: string; currency: string; role: RoleKey; roleName: string }[]>;
  /** For the demo, which is loaded once. */
  findByName(name: string): Promise<number | null>;
  /** With all that is in it, for good; `name` has to be its own. */
  remove(companyId: number, name: string): Promise<Outcome<null, Failure>>;
  /** Its maker becomes its administrator. */
  create(settings: CompanySettings, begin: BegunCompany, person: Person): Promise<number>;
  /** `numbers`: those of accounts whose number, or its place in the order of numbers, changes; `kept`: places by hand of those that leave their ranges. */
  changeSettings(
    company: CompanyRecord,
    before: CompanySettings,
    after: CompanySettings,
    changes: { readonly numbers: readonly ChangedNumber[]; readonly kept: Kept },
    actor: Actor,
  ): Promise<Outcome<null, Failure>>;
  /** `form`: how later years are made from now on; `null`: as until now. */
  makeYears(companyId: number, years: readonly FiscalYear[], form: YearForm | null, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>>;
  addAdjustingPeriod(companyId: number, period: Period, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>>;
  /** All open until now. */
  lockPeriods(companyId: number, periods: readonly Period[], reason: string, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>>;
  unlockPeriod(companyId: number, period: Period, lock: PeriodLock, reason: string, expectedStructure: number, actor: Actor): Promise<Outcome<null, Failure>>;
  setLayoutOptions(companyId: number, options: LayoutOptions, version: number, actor: Actor): Promise<Outcome<number, Failure>>;
}
