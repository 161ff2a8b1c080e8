import { z } from 'zod';
import { id, name, version } from './primitives.ts';

/** What the numbers of a series begin with: its documents are `ADJ-1`, `ADJ-2`; the letter in front tells them from plain ones. */
const seriesCode = z
  .string()
  .trim()
  .regex(/^[\p{L}][\p{L}\d]{0,9}$/u);

export const documentSeries = z.object({
  id,
  code: seriesCode,
  name,
  /** That its next document gets. */
  nextNumber: z.int().positive(),
  /** Whether new documents are still numbered in it. */
  active: z.boolean(),
  /** How many documents bear its numbers. */
  documents: z.int().nonnegative(),
  version,
});
export type DocumentSeriesBody = z.infer<typeof documentSeries>;
/** In the order of their codes. */
export const seriesList = z.object({ series: z.array(documentSeries), /** Of the plain numbers. */ nextPlain: z.int().positive() });
export type SeriesList = z.infer<typeof seriesList>;

export const seriesInput = z.strictObject({ code: seriesCode, name, nextNumber: z.int().positive().max(999_999_999).default(1) });
export type SeriesInput = z.input<typeof seriesInput>;
export const seriesChange = z.strictObject({ version, name: name.optional(), active: z.boolean().optional() });
export type SeriesChange = z.input<typeof seriesChange>;
