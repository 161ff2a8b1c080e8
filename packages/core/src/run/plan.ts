import type { Day, Span } from '../calendar/day.ts';
import type { Element } from '../chart/element.ts';
import type { FacetFilter } from '../facet/facetFilter.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import type { Currency } from '../money/currency.ts';
import type { StatementColumn } from '../statement/statement.ts';
import type { PresentationRates } from '../translation/presentationRates.ts';
import type { MissingRate } from '../translation/translateCube.ts';
import type { Ground } from './ground.ts';
import type { ChosenPlan } from './request.ts';

/** A layout over columns: all that is needed to know which vectors it is run on, and to run it on them. */
export interface ColumnsPlan {
  readonly ground: Ground;
  readonly compiled: CompiledLayout;
  readonly columns: readonly StatementColumn[];
  /** Lines that all columns are of. */
  readonly facets: FacetFilter;
  /** In another currency: an amount of the company's, of a fixed transfer of a day. */
  readonly presented: ((net: bigint, day: Day) => bigint) | null;
}

/** `rate`: of the last day, where all amounts are shown by it; they are run in the company's currency then. */
export interface Presentation {
  readonly from: Currency;
  readonly to: Currency;
  readonly rate: { readonly text: string; readonly day: Day } | null;
}

/** Rates that a run in another currency needs. */
export interface RatesNeeded {
  /** ISO 4217. */
  readonly currency: string;
  readonly manner: 'held' | 'moved';
  readonly spans: readonly Span[];
  /** Whether balances are shown, or income and expenses alone. */
  readonly ofBalances: boolean;
  /** Missing already: averages of periods in which an amount is moved between lines that no account moved in. */
  readonly missing: readonly MissingRate[];
}

/** A statement that is ready to be run. */
export interface StatementPlan extends ColumnsPlan {
  /** Of a composed one that is kept. */
  readonly layoutId: number | null;
  /** Elements whose accounts have to stand in it. */
  readonly scope: readonly Element[];
  /** That was asked for. */
  readonly span: Span;
  /** What the figures are a part of the ledger by, in words; empty where all lines count. */
  readonly part: string;
  readonly planned: ChosenPlan;
  /** Where it is in another currency than the company's. */
  readonly presentation: Presentation | null;
  readonly ratesNeeded: RatesNeeded | null;
  /** By which amounts come into it, each at its own; `null` where they are in the company's. */
  readonly rates: PresentationRates | null;
}
