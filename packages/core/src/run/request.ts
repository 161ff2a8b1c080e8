import type { Day, Span } from '../calendar/day.ts';
import type { ColumnPlan } from '../columns/columnPlans.ts';
import type { Comparison } from '../columns/comparisons.ts';
import type { PlanDefinition } from '../columns/planDefinition.ts';
import type { FacetFilter } from '../facet/facetFilter.ts';
import type { CaptionLanguage } from '../layout/captionWords.ts';
import type { GeneratedName, Layout } from '../layout/line.ts';
import type { OwnLayout } from '../layout/ownLayout.ts';
import type { ExchangeRate } from '../rates/rate.ts';
import type { PresentationChoice } from '../translation/presentation.ts';
import type { PastPlacement } from './standIns.ts';

/** The plan that stands across the page. */
export interface ChosenPlan {
  readonly plan: ColumnPlan | 'composed';
  /** Of `composed`: one that is kept, or as it is drafted. */
  readonly planId?: number | undefined;
  readonly definition?: PlanDefinition | undefined;
  /** Of `budget`. */
  readonly budgetId?: number | undefined;
}

/** A statement to be run: what stands down the page, what across, over which lines, and in which money. */
export interface StatementRequest {
  /** A generated one; a composed one by its id, or as it is drafted over a classification. */
  readonly statement: GeneratedName | { readonly layoutId: number } | { readonly drafted: OwnLayout };
  /** Whose categories a generated or drafted one follows. */
  readonly classificationId: number;
  /** Of captions; the main one where it is none of the company's. */
  readonly language?: string | undefined;
  readonly span: Span;
  readonly comparison: Comparison;
  /** What ends on the last day of a year with a period for adjustments is without the lines of that. */
  readonly adjusting?: 'before' | undefined;
  /** Only lines with these facet values. */
  readonly facets: FacetFilter;
  /** That of the layout, or the comparison, where none is asked for. */
  readonly columns?: ChosenPlan | undefined;
  readonly presentation?: PresentationChoice | undefined;
}

/** Something that is kept under a name, which a plan needs to go on. */
export type DefinitionNeed =
  | { readonly of: 'layout'; readonly id: number }
  | { readonly of: 'column_plan'; readonly id: number }
  | { readonly of: 'budget'; readonly id: number }
  | { readonly of: 'past_placement'; readonly classificationId: number; readonly day: Day }
  | { readonly of: 'rates'; readonly currency: string };

export interface LayoutInUse {
  readonly name: string;
  readonly kind: Layout['kind'];
  readonly classificationId: number;
  /** `null` where no version was put in use. */
  readonly own: OwnLayout | null;
}

export interface BudgetDefined {
  readonly name: string;
  readonly year: number;
}

interface DefinitionOf {
  readonly layout: LayoutInUse;
  readonly column_plan: PlanDefinition;
  readonly budget: BudgetDefined;
  readonly past_placement: PastPlacement;
  readonly rates: readonly ExchangeRate[];
}

export function definitionKey(need: DefinitionNeed): string {
  switch (need.of) {
    case 'past_placement':
      return `${need.of} ${need.classificationId} ${need.day}`;
    case 'rates':
      return `${need.of} ${need.currency}`;
    default:
      return `${need.of} ${need.id}`;
  }
}

/** What is known of definitions so far; what is asked for and not known is missing, and a plan is made again with it. */
export class Definitions {
  private readonly known = new Map<string, unknown>();
  private asked = new Map<string, DefinitionNeed>();

  /** `null`: it is not there (any more). */
  give<Need extends DefinitionNeed>(need: Need, definition: DefinitionOf[Need['of']] | null): void {
    this.known.set(definitionKey(need), definition);
  }

  /** `undefined`: not known yet. */
  find<Need extends DefinitionNeed>(need: Need): DefinitionOf[Need['of']] | null | undefined {
    const key = definitionKey(need);
    if (!this.known.has(key)) this.asked.set(key, need);
    return this.known.get(key) as DefinitionOf[Need['of']] | null | undefined;
  }

  /** All that was asked for in vain since this was last asked. */
  takeMissing(): readonly DefinitionNeed[] {
    const missing = [...this.asked.values()];
    this.asked = new Map();
    return missing;
  }
}

/** In the company's language that is asked for. */
export function languageFor(languages: readonly CaptionLanguage[], asked: string | undefined): CaptionLanguage {
  return languages.find((language) => language === asked) ?? languages[0] ?? 'en';
}
