import type { Account, AccountTraits, AccountTree, Category, CategoryTree, Cube, FiscalCalendar, LayoutOptions, Place, Portions } from '@ivory-ladder/core';
import type { CompanyRecord } from './companyStore.ts';

export interface VersionedCategory extends Category {
  readonly version: number;
}

/** An account with what people keep beside it. */
export interface ChartAccount extends Account {
  /** What belongs here and what does not. */
  readonly purpose: string;
  /** Its number in another system or in a consolidation; empty where there is none. */
  readonly externalNumber: string;
  readonly version: number;
}

/** Chart, placement and calendar of a company at one structure version. */
export interface Structure {
  readonly company: CompanyRecord;
  readonly calendar: FiscalCalendar;
  readonly accounts: readonly ChartAccount[];
  /** By id: what tells an account from all others, wherever it is named. */
  readonly labels: ReadonlyMap<number, string>;
  readonly tree: AccountTree;
  readonly categories: readonly VersionedCategory[];
  readonly categoryTree: CategoryTree;
  readonly places: readonly Place[];
  readonly portions: ReadonlyMap<number, Portions>;
  readonly options: LayoutOptions;
  readonly optionsVersion: number;
  readonly retainedEarningsId: number | null;
}

/** A structure and the balances that belong to it, read in one snapshot. */
export interface Books extends Structure {
  readonly cube: Cube;
  readonly traits: AccountTraits;
}
