import { z } from 'zod';
import { listKey } from './codeLists.ts';
import { day, id, version } from './primitives.ts';
import { statementEffect } from './statementEffect.ts';

const accountField = z.enum([
  'number',
  'newNumber',
  'name',
  'element',
  'side',
  'parent',
  'category',
  'categoryDebit',
  'categoryCredit',
  'active',
  'role',
  'purpose',
  'externalNumber',
  'key',
]);
/** A field of the account, or its code from a list. */
const field = z.union([accountField, listKey]);

export const chartFileQuery = z.object({ kind: z.enum(['csv', 'xlsx', 'template']).default('xlsx') });
export const chartFileName = z.object({ name: z.string().min(1).max(200) });
/** Days between which the effect on the statements is shown. */
export const chartCheckInput = z.strictObject({ from: day, to: day });

export const chartCheck = z.object({
  fileName: z.string(),
  rows: z.array(
    z.object({
      row: z.int(),
      number: z.string(),
      name: z.string(),
      state: z.enum(['same', 'new', 'changed', 'wrong']),
      changes: z.array(z.object({ field, before: z.string(), after: z.string() })),
      /** `about`: the row, account, word or element that the reason speaks of. */
      faults: z.array(z.object({ field, reason: z.string(), about: z.string().nullable() })),
    }),
  ),
  /** Accounts without a row; they stay as they are. */
  missing: z.array(z.object({ id, number: z.string(), name: z.string() })),
  newCategories: z.array(z.object({ element: z.string(), path: z.array(z.string()) })),
  unknownColumns: z.array(z.string()),
  /** What heads the column of each list in the file. */
  listHeadings: z.record(z.string(), z.string()),
  effect: statementEffect,
  /** Codes that it gives to accounts of another element or side than they are meant for. */
  codesAtOdds: z.array(
    z.object({ list: z.string(), number: z.string(), name: z.string(), code: z.string(), caption: z.string(), meantFor: z.string(), account: z.string() }),
  ),
  structureVersion: version,
  revision: version,
});
export type ChartCheckBody = z.infer<typeof chartCheck>;

/** What the check was made against; the file is applied to no other chart. */
export const chartFileApplication = z.strictObject({ structureVersion: version, revision: version });
export const chartFileApplied = z.object({ added: z.int(), changed: z.int() });
