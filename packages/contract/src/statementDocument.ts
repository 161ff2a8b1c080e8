import { z } from 'zod';
import { columnResult, columnWidth, numberFormat } from './columnPlan.ts';
import { accountInStatement, amount, day, id, language } from './primitives.ts';
import { figureNature, rounding, rowRole, scaleUnit, statementKinds, unit } from './statement.ts';

/** One a column; `null`: no figure. */
const figures = z.array(amount.nullable());
const place = z.int().min(0);
const currency = z.strictObject({ code: z.string().length(3), exponent: z.int().min(0).max(4) });

const head = {
  /** What is printed over its figures, line by line. */
  lines: z.array(z.string()),
  caption: z.string(),
  heading: z.exactOptional(z.string()),
  group: z.exactOptional(z.string()),
  width: z.exactOptional(columnWidth),
  format: z.exactOptional(numberFormat),
};

const column = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('amount'),
    ...head,
    measure: z.enum(['opening', 'closing', 'movement']),
    firstDay: day,
    lastDay: day,
    budget: z.exactOptional(z.string()),
    adjusting: z.exactOptional(z.enum(['before', 'only'])),
    placedOn: z.exactOptional(day),
    began: z.exactOptional(day),
    /** Place of the column whose total it is a part of. */
    total: z.exactOptional(place),
  }),
  z.strictObject({ kind: z.enum(['change', 'percent']), ...head, of: place, against: place }),
  z.strictObject({ kind: z.literal('share'), ...head, of: place, line: z.string() }),
  z.strictObject({
    kind: z.literal('calculation'),
    ...head,
    formula: z.string(),
    result: columnResult,
    operands: z.array(z.strictObject({ name: z.string(), column: place })),
    days: z.int(),
  }),
  z.strictObject({ kind: z.literal('text'), ...head }),
]);

const look = z.strictObject({
  weight: z.enum(['usual', 'plain', 'strong', 'ruled', 'final']),
  indent: z.int(),
  spaceBefore: z.boolean(),
  breakBefore: z.boolean(),
  better: z.exactOptional(figureNature),
});

const structure = {
  /** The line's key; a group's heading and total share it, told apart by `role`. */
  key: z.string(),
  lineKey: z.exactOptional(z.string()),
  accountId: z.exactOptional(accountInStatement),
  role: rowRole,
  depth: z.int().min(0),
  caption: z.string(),
  note: z.exactOptional(z.string()),
  /** Rows that it is the sum of, with the signs that they count with as shown. */
  parts: z.exactOptional(z.array(z.strictObject({ key: z.string(), sign: z.union([z.literal(1), z.literal(-1)]) }))),
  isWithin: z.exactOptional(z.literal(true)),
  look: z.exactOptional(look),
  better: z.exactOptional(figureNature),
};

const row = z.strictObject({
  ...structure,
  exact: z.exactOptional(figures),
  /** Where it is something else than the exact amount. */
  printed: z.exactOptional(figures),
  unit: z.exactOptional(unit),
  faults: z.exactOptional(z.array(z.looseObject({ code: z.string() }).nullable())),
  isReversed: z.exactOptional(z.literal(true)),
  /** Of a calculation, over keys of lines. */
  formula: z.exactOptional(z.string()),
});

const integer = z.string().regex(/^(0|-?[1-9]\d*)$/);

const content = z.strictObject({
  kind: statementKinds,
  title: z.string(),
  company: z.string(),
  language,
  firstDay: day,
  lastDay: day,
  dates: z.string(),
  exactDates: z.exactOptional(z.string()),
  isDraft: z.exactOptional(z.literal(true)),
  currency,
  kept: currency,
  unit: z.exactOptional(z.strictObject({ times: integer, over: integer, rate: z.exactOptional(z.string()) })),
  scale: scaleUnit,
  rounding,
  columns: z.array(column),
  rows: z.array(row),
  operands: z.array(z.strictObject({ key: z.string(), column: place, of: integer, over: integer, isReversed: z.exactOptional(z.literal(true)) })),
  transfers: z.array(z.strictObject({ text: z.string(), from: z.string(), on: z.string(), values: figures })),
  notes: z.array(z.string()),
  exceptions: z.array(z.strictObject({ key: z.string(), column: place, why: z.enum(['beyond', 'given', 'across']) })),
});

/**
 * A finished statement as a value: all that it is printed and exported from. Figures, words and look are its content, which the digest is of (SHA-256 of
 * its canonical JSON, RFC 8785); what is open, counters and versions are not.
 */
export const statementDocument = z.strictObject({
  format: z.literal('ivory-ladder-statement'),
  version: z.literal(1),
  content,
  view: z.strictObject({
    rows: z.array(z.strictObject({ ...structure, opens: z.exactOptional(z.literal(true)), isOpen: z.exactOptional(z.literal(true)) })),
    rungs: z.int(),
  }),
  provenance: z.strictObject({
    companyId: id,
    revision: z.int(),
    structureVersion: z.int(),
    layoutId: z.exactOptional(id),
    classificationId: id,
    plan: z.enum(['comparison', 'periods', 'quarters', 'budget', 'composed']),
    planId: z.exactOptional(id),
    rate: z.exactOptional(z.strictObject({ from: z.string(), text: z.exactOptional(z.string()), day: z.exactOptional(day) })),
  }),
  digest: z.string().regex(/^[0-9a-f]{64}$/),
});
export type DocumentKept = z.infer<typeof statementDocument>;
