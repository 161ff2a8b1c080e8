import { z } from 'zod';
import { rowRole, unit } from './statement.ts';

/** What was run before and after, every statement and layout in use of each classification, and the lines of it that would show another amount. */
export const statementEffect = z.object({
  /** `generated` is `null` for a composed layout, whose name the title is; `classification` for the main one. */
  lookedAt: z.array(
    z.object({
      title: z.string(),
      classification: z.string().nullable(),
      generated: z.enum(['balance_sheet', 'income_statement', 'cash_flow', 'changes_in_equity']).nullable(),
    }),
  ),
  /** `statement`: by its place in `lookedAt`. Figures as shown, in the line’s unit; `null` where it is not there, or shows none. */
  rows: z.array(
    z.object({
      statement: z.int(),
      caption: z.string(),
      role: rowRole,
      unit: z.exactOptional(unit),
      before: z.string().nullable(),
      after: z.string().nullable(),
    }),
  ),
});
export type StatementEffect = z.infer<typeof statementEffect>;
