import type { ArgsOf } from './operationTypes.ts';

type Asked = ArgsOf<'getStatement'>;
/** What a statement is shown with, whatever the address leaves to what is usual. */
export type StatementParams = Asked & { readonly [Key in 'detail' | 'zero' | 'scale' | 'rounding' | 'facets']: Exclude<Asked[Key], undefined> };
/** What stands across the page: a plan that is there, one that somebody composed, or, as JSON, one that is drafted; that of the layout, or the comparison, where none is asked for. */
export type PlanParams = Pick<StatementParams, 'plan' | 'budget' | 'planId' | 'definition'>;
/** The currency that amounts are shown in; the company's own where none is named. */
export type PresentationParams = Pick<StatementParams, 'currency' | 'translation'>;
