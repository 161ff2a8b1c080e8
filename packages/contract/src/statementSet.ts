import { z } from 'zod';
import { usualColumns } from './layout.ts';
import { day, id, language, name, version } from './primitives.ts';
import { comparisonQuery, proof, rounding, scaleUnit, statement, statementKind, translationMethod } from './statement.ts';

/** Unique in its set. */
const partKey = z.string().regex(/^[a-z][a-z0-9_]{0,39}$/);

const setPart = z.strictObject({
  key: partKey,
  statement: statementKind,
  /** In the place of the layout's own; empty: that. */
  title: z.string().trim().max(200),
  /** `null`: those of the layout, or the comparison. */
  columns: usualColumns.nullable(),
  detail: z.union([z.literal('accounts'), z.int().min(1).max(9)]),
  zeroLines: z.boolean(),
});

/** Statements that are run together for one date. */
const setDefinition = z.strictObject({
  parts: z.array(setPart).max(40),
  scale: z.strictObject({ unit: scaleUnit, rounding }),
  language: language.nullable(),
  /** The company's own currency where it is left out. */
  presentation: z.exactOptional(z.strictObject({ currency: z.string().length(3), method: translationMethod })),
});
export type SetDefinitionBody = z.infer<typeof setDefinition>;
export type SetPartBody = SetDefinitionBody['parts'][number];

export const statementSet = z.object({ id, name: z.string(), definition: setDefinition, changedAt: z.string(), changedBy: z.string(), version });
export type StatementSetBody = z.infer<typeof statementSet>;
export const statementSetList = z.object({ sets: z.array(statementSet) });
export type StatementSetList = z.infer<typeof statementSetList>;

export const statementSetInput = z.strictObject({ name, definition: setDefinition });
export type StatementSetInput = z.input<typeof statementSetInput>;
export const statementSetChange = statementSetInput.extend({ version });
export type StatementSetChange = z.input<typeof statementSetChange>;

export const setQuery = z.object({ from: day, to: day, ...comparisonQuery });

const figure = z.object({
  name: z.enum([
    'equity_opening',
    'equity_changes',
    'equity_closing',
    'equity_by_columns',
    'debit_side',
    'credit_side',
    'profit',
    'result',
    'change_by_lines',
    'cash_moved',
    'cash_in_balance_sheet',
    'difference_moved',
    'difference_of_net_assets',
    'difference_of_profit',
    'difference_of_equity',
  ]),
  /** Key of the statement that it stands in; `null`: of the ledger. */
  part: partKey.nullable(),
  net: proof.shape.difference,
});

/** A tie-out of what the statements of a set hold. */
const setProof = z.object({
  name: z.enum(['balances', 'profit', 'cash', 'equity', 'translation', 'coverage']),
  state: z.enum(['holds', 'fails', 'to_look_at', 'not_provable']),
  difference: proof.shape.difference,
  ties: z.array(z.object({ part: partKey, day, figures: z.array(figure), unprovable: z.enum(['budget', 'facets', 'placement', 'first_balances']).nullable() })),
  faults: z.array(z.object({ part: partKey, accounts: proof.shape.accounts })),
});
export type SetProofBody = z.infer<typeof setProof>;

const lineKey = z.string().min(1).max(100);

export const lineComment = z.object({ partKey, lineKey, text: z.string(), changedAt: z.string(), changedBy: z.string(), version });
export type LineCommentBody = z.infer<typeof lineComment>;

/** Kept with the last day; no text takes it away. `version`: of the one that is there, 0 where there was none. */
export const lineCommentInput = z.strictObject({ partKey, lineKey, day, text: z.string().trim().max(4000), version });
export type LineCommentInput = z.input<typeof lineCommentInput>;

export const ranSet = z.object({
  set: statementSet,
  /** In the order of the set. A statement, or why it cannot be run. */
  parts: z.array(
    z.object({ key: partKey, statement: statement.nullable(), failure: z.object({ code: z.string(), facts: z.record(z.string(), z.unknown()) }).nullable() }),
  ),
  proofs: z.array(setProof),
  /** Of the amounts in proofs. */
  currency: z.string(),
  exponent: z.int(),
  comments: z.array(lineComment),
  /** Those of the last day before this one that has any, for who writes the next. */
  earlier: z.array(lineComment.extend({ day })),
  revision: z.int(),
});
export type RanSet = z.infer<typeof ranSet>;
