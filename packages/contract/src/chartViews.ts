import { z } from 'zod';
import { day, id, name, version } from './primitives.ts';

/** A column that is shown: its place is its place in the list; `width` in pixels, `null` where it is left to the table. */
const chosenColumn = z.strictObject({ id: z.string().max(40), width: z.int().min(30).max(1200).nullable() });
/** Columns in the order in which they are shown; none: as the table has them. */
export const chosenColumns = z.strictObject({ columns: z.array(chosenColumn).max(40) });
export type ChosenColumns = z.infer<typeof chosenColumns>;

/** What a view brings back: columns, their order, and what was sought. */
const chartViewContent = chosenColumns.extend({
  /** The column that orders the rows, with a minus for the other way; empty: the chart's own order. */
  order: z.string().max(41).default(''),
  find: z.string().max(200).default(''),
  show: z.string().max(40).default(''),
  element: z.string().max(20).default(''),
  category: z.string().max(20).default(''),
  /** For accounts unused since a day. */
  since: z.union([day, z.literal('')]).default(''),
});
export type ChartViewContent = z.infer<typeof chartViewContent>;

export const chartViewInput = z.strictObject({ name: name.pipe(z.string().max(100)), isShared: z.boolean(), content: chartViewContent });
export type ChartViewInput = z.infer<typeof chartViewInput>;
export const chartViewChange = chartViewInput.extend({ version });

export const savedChartView = z.object({ id, name: z.string(), isShared: z.boolean(), isMine: z.boolean(), content: chartViewContent, version });
export type SavedChartView = z.infer<typeof savedChartView>;

export const savedChartViews = z.object({ columns: chosenColumns.shape.columns, views: z.array(savedChartView) });
export type SavedChartViews = z.infer<typeof savedChartViews>;
