import { z } from 'zod';
import { listKey } from './codeLists.ts';
import { placedAccount } from './placement.ts';
import { accountRole, amount, day, element, id, layer, name, side, version } from './primitives.ts';
import { statementEffect } from './statementEffect.ts';

/** A number as it is typed: trimmed, one space at most between parts, no control characters; empty where accounts have none. */
const accountNumber = z
  .string()
  .transform((text) => text.trim().replace(/\s+/g, ' '))
  .pipe(
    z
      .string()
      .max(50)
      .regex(/^[^\p{Cc}]*$/u),
  );
const externalNumber = z
  .string()
  .trim()
  .max(50)
  .regex(/^[^\p{Cc}]*$/u);
/** Text of several lines. */
const purpose = z.string().trim().max(2000);

/** By the key of the list, as it is typed; empty: none. Lists that are not named stay. */
const codesGiven = z.record(listKey, z.string().max(50));

export const account = z.object({
  id,
  number: z.string(),
  name: z.string(),
  element,
  normalSide: side,
  parentId: id.nullable(),
  active: z.boolean(),
  role: accountRole.nullable(),
  purpose: z.string(),
  externalNumber: z.string(),
  codes: z.record(listKey, z.string()),
  /** Of cash: the first and the last day on which it is; `null`: ever. */
  cashFrom: day.nullable(),
  cashUntil: day.nullable(),
  version,
});
export type AccountBody = z.infer<typeof account>;

export const accountInput = z.strictObject({
  number: accountNumber.default(''),
  name,
  element,
  normalSide: side.optional(),
  parentId: id.nullable().default(null),
  after: id.nullable().optional(),
  purpose: purpose.default(''),
  externalNumber: externalNumber.default(''),
  codes: codesGiven.default({}),
  /** The category it stands in from the beginning. */
  categoryId: id.nullable().default(null),
});
export type AccountInputBody = z.input<typeof accountInput>;

/** Only what changes; `after` names the sibling to stand behind, `null` to stand first. */
export const accountChange = z.strictObject({
  version,
  number: accountNumber.optional(),
  name: name.optional(),
  element: element.optional(),
  normalSide: side.optional(),
  parentId: id.nullable().optional(),
  after: id.nullable().optional(),
  active: z.boolean().optional(),
  role: accountRole.nullable().optional(),
  purpose: purpose.optional(),
  externalNumber: externalNumber.optional(),
  codes: codesGiven.optional(),
  cashFrom: day.nullable().optional(),
  cashUntil: day.nullable().optional(),
});
export type AccountChange = z.infer<typeof accountChange>;
export const accountChangeCheckInput = z.strictObject({ change: accountChange, from: day, to: day });

/** New numbers for a set of accounts, all or none. */
export const renumbering = z.strictObject({
  changes: z
    .array(z.strictObject({ accountId: id, version, number: accountNumber }))
    .min(1)
    .max(20_000),
});
export type Renumbering = z.infer<typeof renumbering>;
export const renumberingCheckInput = renumbering.extend({ from: day, to: day });

export const chartAccount = placedAccount.extend({
  /** Nesting from 0; accounts come in the chart's own order. */
  depth: z.int(),
  active: z.boolean(),
  purpose: z.string(),
  externalNumber: z.string(),
  /** By the key of the list. */
  codes: z.record(listKey, z.string()),
  /** Of cash: the first and the last day on which it is; `null`: ever. */
  cashFrom: day.nullable(),
  cashUntil: day.nullable(),
  version,
  /** The day of its last journal line. */
  lastUsed: day.nullable(),
  /** What people wrote about it, newest first. */
  notes: z.array(z.string()),
});

export const chartView = z.object({
  accounts: z.array(chartAccount),
  /** Path of each category that holds an account, from the top, by category id. */
  paths: z.record(z.string(), z.array(z.string())),
  span: z.object({ firstDay: day, lastDay: day }),
  comparative: z.object({ firstDay: day, lastDay: day }),
  balanceComparative: day,
  revision: z.int(),
});
export type ChartView = z.infer<typeof chartView>;
export type ChartAccountBody = ChartView['accounts'][number];

/** What the history speaks of. */
const historyThing = z.enum([
  'company',
  'person',
  'account',
  'category',
  'code_list',
  'document_series',
  'classification',
  'coverage',
  'pairing_rule',
  'budget',
  'rate',
  'period',
  'place',
  'entry',
  'invitation',
  'journal_import',
  'column_plan',
  'layout',
  'layout_options',
  'statement_set',
  'role',
  'trial_balance',
  'year',
  'view',
]);
export type HistoryThing = z.infer<typeof historyThing>;

export const historyQuery = z.object({
  thing: historyThing.optional(),
  thingId: z.coerce.number().int().positive().optional(),
  /** Part of the name of who did it. */
  actor: z.string().trim().min(1).max(200).optional(),
  /** First and last day, in UTC. */
  from: day.optional(),
  to: day.optional(),
  /** Events older than this one, for the next page. */
  before: z.coerce.number().int().positive().optional(),
  limit: z.coerce.number().int().min(1).max(500).default(50),
});

export const history = z.object({
  events: z.array(
    z.object({
      id,
      thing: z.string(),
      thingId: z.int(),
      /** What it is about, in words: number and name of an account, path of a category. */
      label: z.string(),
      action: z.string(),
      before: z.unknown(),
      after: z.unknown(),
      /** UTC, `2026-09-30 12:00:00.000`. */
      happenedAt: z.string(),
      actor: z.string(),
      /** Who it was by id; `null` for what the installation did, and for what is on record from before ids were. */
      actorId: z.int().nullable(),
      /** The name, with the id where people of the company share it. */
      who: z.string(),
    }),
  ),
  next: id.nullable(),
});
export type History = z.infer<typeof history>;

/** The account to merge into, and the day of the entry that moves what the other holds. */
export const mergeChoice = z.strictObject({ into: id, day });
export const mergeCheckInput = mergeChoice.extend({ from: day, to: day });
export const mergeCheck = z.object({
  /** Debit positive; none where the account is nil. */
  moves: z.array(z.object({ layer, amount })),
  /** Which of the two stands where the other does from now on, in each classification where one does; `null` is the main one. */
  moved: z.array(z.object({ classification: z.string().nullable(), which: z.enum(['from', 'into']) })),
  role: accountRole.nullable(),
  /** Codes that the other account gets, each with the name of its list. */
  codes: z.array(z.object({ list: z.string(), code: z.string() })),
  effect: statementEffect,
  structureVersion: version,
  revision: version,
});
export type MergeCheckBody = z.infer<typeof mergeCheck>;
export const mergeApplication = mergeChoice.extend({ structureVersion: version, revision: version });

/** Oldest first; debit positive. `closing` of income and expense is what the fiscal year has brought so far. */
export const accountPeriods = z.object({
  periods: z.array(z.object({ year: z.int(), number: z.int(), firstDay: day, lastDay: day, movement: amount, closing: amount })),
});
export type AccountPeriods = z.infer<typeof accountPeriods>;

export const noteInput = z.strictObject({ content: z.string().trim().min(1).max(4000) });
export const noteList = z.object({ notes: z.array(z.object({ id, content: z.string(), writtenAt: z.string(), writtenBy: z.string() })) });
export type NoteList = z.infer<typeof noteList>;
