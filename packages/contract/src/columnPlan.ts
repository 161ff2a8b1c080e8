import { z } from 'zod';
import { listKey } from './codeLists.ts';
import { day, id, name, version } from './primitives.ts';

/** Unique in its plan. */
const columnKey = z.string().regex(/^[a-z][a-z0-9_]{0,39}$/);
export const columnWidth = z.enum(['narrow', 'wide']);
export const columnResult = z.enum(['amount', 'ratio', 'percent']);
/** Where figures are not written as usual: decimals of percents and ratios, a minus, noughts for nil. */
export const numberFormat = z.strictObject({
  decimals: z.exactOptional(z.union([z.literal(0), z.literal(1), z.literal(2)])),
  negatives: z.exactOptional(z.literal('minus')),
  nil: z.exactOptional(z.literal('zero')),
});
const base = {
  key: columnKey,
  heading: z.string().trim().max(100),
  group: z.string().trim().max(100),
  width: z.exactOptional(columnWidth),
  format: z.exactOptional(numberFormat),
};

const period = z.strictObject({
  base: z.enum(['run', 'year_to_date', 'quarter_to_date', 'trailing', 'comparative', 'fixed']),
  periods: z.int().min(1).max(60),
  moved: z.strictObject({ by: z.int().min(-60).max(60), unit: z.enum(['periods', 'years']) }),
  /** Of `fixed`; empty elsewhere. */
  firstDay: z.union([day, z.literal('')]),
  lastDay: z.union([day, z.literal('')]),
});

const planColumn = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('amounts'),
    ...base,
    budgetId: id.nullable(),
    measure: z.enum(['own', 'opening', 'movement', 'closing']),
    period,
    facets: z.record(listKey, z.array(z.string().max(50)).min(1).max(200)),
    withoutAdjustments: z.boolean(),
    /** Where its span ends a year with a period for adjustments: without the lines of that. */
    beforeAdjusting: z.exactOptional(z.literal(true)),
    /** Where accounts stood at the end of a day, or of the column's own last one. */
    placement: z.exactOptional(z.union([z.literal('own_day'), day])),
    /** Once for each period, quarter, category of equity or value of a facet. */
    repeat: z.union([z.enum(['periods', 'quarters', 'equity']), listKey]).nullable(),
  }),
  z.strictObject({ kind: z.enum(['change', 'percent']), ...base, of: columnKey, against: columnKey }),
  z.strictObject({ kind: z.literal('share'), ...base, of: columnKey, line: z.string().max(100) }),
  z.strictObject({ kind: z.literal('calculation'), ...base, formula: z.string().trim().max(500), result: columnResult }),
  z.strictObject({ kind: z.literal('text'), ...base }),
]);

/** What stands across the page. */
export const planDefinition = z.strictObject({ columns: z.array(planColumn).min(1).max(40) });
export type PlanDefinitionBody = z.infer<typeof planDefinition>;
export type PlanColumnBody = PlanDefinitionBody['columns'][number];

export const columnPlan = z.object({ id, name: z.string(), definition: planDefinition, changedAt: z.string(), changedBy: z.string(), version });
export type ColumnPlanBody = z.infer<typeof columnPlan>;
export const columnPlanList = z.object({ plans: z.array(columnPlan) });
export type ColumnPlanList = z.infer<typeof columnPlanList>;

export const columnPlanInput = z.strictObject({ name, definition: planDefinition });
export type ColumnPlanInput = z.input<typeof columnPlanInput>;
export const columnPlanChange = columnPlanInput.extend({ version });
export type ColumnPlanChange = z.input<typeof columnPlanChange>;
