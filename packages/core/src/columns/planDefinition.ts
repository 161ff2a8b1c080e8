import type { Day } from '../calendar/day.ts';
import type { ListKey } from '../chart/codeList.ts';
import type { FacetFilter } from '../facet/facetFilter.ts';
import type { NumberFormat } from './numberFormat.ts';

export const periodBases = ['run', 'year_to_date', 'quarter_to_date', 'trailing', 'comparative', 'fixed'] as const;

/** The span of a column, from that of the run. */
export interface PeriodChoice {
  /** `year_to_date`, `quarter_to_date`: up to the last day of the run. `trailing`: so many periods up to the one of that day. */
  readonly base: (typeof periodBases)[number];
  /** Of `trailing`. */
  readonly periods: number;
  /** Moved by so many periods or years, back where below nothing; not of `comparative` and `fixed`. */
  readonly moved: { readonly by: number; readonly unit: 'periods' | 'years' };
  /** Of `fixed`. */
  readonly firstDay: Day;
  readonly lastDay: Day;
}

interface PlanColumnBase {
  /** Unique in the plan; other columns name it. */
  readonly key: string;
  /** Empty: what it is, in words; `{from}`, `{to}` and `{year}` stand for its dates. */
  readonly heading: string;
  /** Over all columns beside each other that have the same; empty for none. */
  readonly group: string;
  /** Than columns of its kind are. */
  readonly width?: ColumnWidth;
  /** Of its figures, where not as usual. */
  readonly format?: NumberFormat;
}

export const columnWidths = ['narrow', 'wide'] as const;
export type ColumnWidth = (typeof columnWidths)[number];

export interface AmountsPlanColumn extends PlanColumnBase {
  readonly kind: 'amounts';
  /** `null`: what was posted. */
  readonly budgetId: number | null;
  /** `own`: balances of a balance sheet, movements of the others. */
  readonly measure: 'own' | 'opening' | 'movement' | 'closing';
  readonly period: PeriodChoice;
  readonly facets: FacetFilter;
  /** Without entries of the layer of adjustments. */
  readonly withoutAdjustments: boolean;
  /** Where its span ends a year with a period for adjustments: without the lines of that. */
  readonly beforeAdjusting?: true;
  /** Accounts stand where they stood at the end of a day, `own_day`: of the column's last; where they stand today, where it is left out. */
  readonly placement?: 'own_day' | Day;
  /** Once for each period or quarter of its span, for each value of a facet, or for each category of equity; of movements with their total behind them. */
  readonly repeat: 'periods' | 'quarters' | 'equity' | ListKey | null;
}

export type PlanColumn =
  | AmountsPlanColumn
  /** `of` less `against`, and that by the size of `against`. */
  | (PlanColumnBase & { readonly kind: 'change' | 'percent'; readonly of: string; readonly against: string })
  /** Of what the line with the key has in the same column. */
  | (PlanColumnBase & { readonly kind: 'share'; readonly of: string; readonly line: string })
  /** A formula over the amounts of other columns, by their keys, as they are shown. */
  | (PlanColumnBase & { readonly kind: 'calculation'; readonly formula: string; readonly result: ColumnResult })
  /** Empty, for what is written by hand. */
  | (PlanColumnBase & { readonly kind: 'text' });

export const columnResults = ['amount', 'ratio', 'percent'] as const;
export type ColumnResult = (typeof columnResults)[number];

/** What stands across the page, for any layout. */
export interface PlanDefinition {
  readonly columns: readonly PlanColumn[];
}

export const ownPeriod: PeriodChoice = { base: 'run', periods: 12, moved: { by: 0, unit: 'years' }, firstDay: '', lastDay: '' };

/** A column of a kind with nothing set but its key. */
export function newPlanColumn(kind: PlanColumn['kind'], key: string, of = '', against = ''): PlanColumn {
  const base = { key, heading: '', group: '' };
  switch (kind) {
    case 'amounts':
      return { ...base, kind, budgetId: null, measure: 'own', period: ownPeriod, facets: {}, withoutAdjustments: false, repeat: null };
    case 'change':
    case 'percent':
      return { ...base, kind, of, against };
    case 'share':
      return { ...base, kind, of, line: '' };
    case 'calculation':
      return { ...base, kind, formula: of === '' || against === '' ? of : `(${of} + ${against}) / 2`, result: 'amount' };
    case 'text':
      return { ...base, kind };
  }
}
