import type {
  Account,
  AccountTraits,
  AccountTree,
  Adjusting,
  CategoryRange,
  CategoryTree,
  CodesOfAccount,
  Cube,
  Day,
  DescribedCategory,
  DraftedPlaces,
  FirstBalances,
  FiscalCalendar,
  LayoutOptions,
  OpeningLine,
  PairingRule,
  Period,
  Place,
  PlacedByRange,
  Portions,
  SelectedSets,
  TranslatedCube,
  TranslatedFrom,
} from '@ivory-ladder/core';
import type { StoredCodeList } from './codeListStore.ts';
import type { CompanyRecord } from './companyRecord.ts';

export interface VersionedCategory extends DescribedCategory {
  readonly version: number;
}

/** Who locked a period, when (UTC) and why. */
export interface PeriodLock {
  readonly at: string;
  readonly by: string;
  readonly reason: string;
}

export function periodKey({ year, number }: Pick<Period, 'year' | 'number'>): string {
  return `${year}.${number}`;
}

/** An account with what people keep beside it. */
export interface ChartAccount extends Account {
  /** What belongs here and what does not. */
  readonly purpose: string;
  /** Its number in another system or in a consolidation; empty where there is none. */
  readonly externalNumber: string;
  readonly codes: CodesOfAccount;
  readonly cashFrom: Day | null;
  readonly cashUntil: Day | null;
  readonly version: number;
}

/** One tree of categories and where accounts stand in it. */
interface ClassifiedPlacement {
  readonly categories: readonly VersionedCategory[];
  readonly categoryTree: CategoryTree;
  /** By hand. */
  readonly places: readonly Place[];
  readonly ranges: readonly CategoryRange[];
  /** Accounts whose places by hand only keep them where they stood by range before their numbers changed. */
  readonly onlyKept: ReadonlySet<number>;
  /** What ranges make of each account that they have to do with. */
  readonly byRange: ReadonlyMap<number, PlacedByRange>;
  /** Where accounts stand, by hand or by range. */
  readonly portions: ReadonlyMap<number, Portions>;
}

/** One of several trees side by side: statutory, management, tax. */
export interface Classification extends ClassifiedPlacement {
  readonly id: number;
  readonly name: string;
  readonly version: number;
}

/** Places by hand of an account in a classification, as they were and as they become. */
export interface PlacesByHand extends DraftedPlaces {
  readonly classificationId: number;
}

/** An account that somebody left out of the coverage of a classification (`classification:1`) or of a code list (`report:7`). */
export interface CoverageExclusion {
  readonly scope: string;
  readonly accountId: number;
  readonly reason: string;
  readonly by: string;
  /** UTC. */
  readonly at: string;
}

/** Chart, placement and calendar of a company at one structure version; the placement is that of one classification, the main one unless another was asked for. */
export interface Structure extends ClassifiedPlacement {
  readonly company: CompanyRecord;
  readonly calendar: FiscalCalendar;
  /** Of locked periods, by `periodKey`. */
  readonly locks: ReadonlyMap<string, PeriodLock>;
  readonly accounts: readonly ChartAccount[];
  /** By id: what tells an account from all others, wherever it is named. */
  readonly labels: ReadonlyMap<number, string>;
  readonly tree: AccountTree;
  /** Lists of report codes by name, then facets in their order; codes in theirs. */
  readonly lists: readonly StoredCodeList[];
  /** Values of facets that may not stand on one line. */
  readonly pairings: readonly PairingRule[];
  readonly classificationId: number;
  /** As they were made. */
  readonly classifications: readonly Classification[];
  readonly exclusions: readonly CoverageExclusion[];
  readonly options: LayoutOptions;
  readonly optionsVersion: number;
  readonly retainedEarningsId: number | null;
}

/** A structure and the balances that belong to it, read in one snapshot. */
export interface Books extends Structure {
  readonly cube: Cube;
  readonly traits: AccountTraits;
  /** Of opening entries, with whatever facet values. */
  readonly openingLines: readonly OpeningLine[];
  /** Days on which balances began, whatever lines count. */
  readonly firstBalances: readonly FirstBalances[];
  /** Where only lines with some facet values count; `null`: all do. */
  readonly selected: SelectedSets | null;
  /** Where they are for columns that end a year with a period for adjustments: without its lines, or with them alone. */
  readonly adjusting?: { readonly which: Adjusting; readonly year: number; readonly number: number };
  /** Where they are in another currency than the company's. */
  readonly translation?: Translation;
}

/** How books came into the currency that they are presented in. */
export interface Translation {
  /** As they are kept, with the same lines. */
  readonly of: Books;
  readonly given: TranslatedFrom;
  readonly balances: TranslatedCube;
  /** Where what moves is translated as it moves. */
  readonly flows: TranslatedCube;
  /** Of a part of the ledger: all of it, in the company's currency. */
  readonly whole?: Books;
  /** Whether movements are those of `flows`. */
  readonly isOfFlows?: true;
}
