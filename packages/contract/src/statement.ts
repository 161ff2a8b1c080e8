import { z } from 'zod';
import { listKey } from './codeLists.ts';
import { columnResult, columnWidth, numberFormat, planDefinition } from './columnPlan.ts';
import { facetQuery } from './facetQuery.ts';
import { accountInStatement, amount, day, element, id, language, layer, side } from './primitives.ts';

const keys = z
  .string()
  .max(100_000)
  .default('')
  .transform((text) => text.split(',').filter((key) => key !== ''));
export const flag = z
  .enum(['0', '1'])
  .default('0')
  .transform((text) => text === '1');

/** A generated statement, or the composed layout with the id: `layout-7`. */
export const statementKind = z.union([
  z.enum(['balance-sheet', 'income-statement', 'cash-flow', 'changes-in-equity', 'trial-balance']),
  z.string().regex(/^layout-[1-9]\d{0,9}$/),
]);

const planName = z.enum(['comparison', 'periods', 'quarters', 'budget', 'composed']);
export const scaleUnit = z.enum(['exact', 'units', 'thousands', 'millions']);
export const rounding = z.enum(['independent', 'footed']);

export const comparisonQuery = {
  compare: z.enum(['usual', 'none', 'year_earlier', 'span_before', 'fixed']).default('usual'),
  compareFrom: day.optional(),
  compareTo: day.optional(),
  /** What ends on the last day of a year with a period for adjustments is without the lines of that. */
  adjusting: z.literal('before').optional(),
};

/** The span beside its comparative, beside the budget with the id, part by part, or by a plan that somebody composed. */
const planQuery = {
  /** Where none is named, that of the layout, or the comparison. */
  plan: planName.optional(),
  budget: z.coerce.number().int().positive().optional(),
  /** Of `composed`: one that is kept, or, as JSON, as it is drafted. */
  planId: z.coerce.number().int().positive().optional(),
  definition: z
    .string()
    .max(200_000)
    .transform((text, context) => {
      const read = planDefinition.safeParse(parsed(text));
      if (read.success) return read.data;
      context.addIssue({ code: 'custom', message: 'no column plan' });
      return z.NEVER;
    })
    .optional(),
};

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Whose categories; the main one's where none is named. */
export const classificationQuery = z.object({ classification: z.coerce.number().int().positive().optional() });

export const spanQuery = z.object({ from: day, to: day, ...comparisonQuery });
/** Of what follows the placement. */
export const classifiedSpanQuery = spanQuery.extend(classificationQuery.shape);

/** With lines of some facet values alone. */
export const trialBalanceQuery = spanQuery.extend(facetQuery);

/** What of it is taken along: movements, or ledger and adjustments side by side; accounts without amounts where asked for. */
export const trialBalanceFileQuery = trialBalanceQuery.extend({ view: z.enum(['movements', 'adjusted']).default('movements'), zero: flag });

export const translationMethod = z.enum(['closing_rate', 'own_rates']);

/** The currency that amounts are shown in where it is not the company's (ISO 4217), and how they come into it. */
const presentationQuery = { currency: z.string().length(3).optional(), translation: translationMethod.default('own_rates') };

export const statementQuery = z.object({
  from: day,
  to: day,
  ...comparisonQuery,
  ...planQuery,
  ...facetQuery,
  ...classificationQuery.shape,
  detail: z.union([z.literal('accounts'), z.coerce.number().int().min(1).max(9)]).default(2),
  open: keys,
  shut: keys,
  zero: flag,
  /** What one unit of a figure is, and whether parts are rounded so that they come to their totals. */
  scale: scaleUnit.default('exact'),
  rounding: rounding.default('footed'),
  /** Of captions; the company's main one where it is none of its languages. */
  language: z.string().max(10).optional(),
  ...presentationQuery,
});
export type StatementQuery = z.infer<typeof statementQuery>;

/** In the place of what a column is in words; `{from}`, `{to}` and `{year}` stand for dates. `group`: over columns beside each other. */
const columnHead = {
  /** What is printed over its figures, line by line. */
  lines: z.exactOptional(z.array(z.string())),
  heading: z.exactOptional(z.string()),
  group: z.exactOptional(z.string()),
  width: z.exactOptional(columnWidth),
  format: z.exactOptional(numberFormat),
};

/** `budget`: name of the one that the amounts are of; `null`: of the ledger. */
export const amountColumn = z.object({
  kind: z.literal('amount'),
  measure: z.enum(['opening', 'closing', 'movement']),
  firstDay: day,
  lastDay: day,
  budget: z.string().nullable(),
  /** Accounts stand where they stood at the end of this day. */
  placedOn: z.exactOptional(day),
  /** Of a span that ends a year with a period for adjustments: without its lines, or with them alone. */
  adjusting: z.exactOptional(z.enum(['before', 'only'])),
  /** Balances began on this day, within the span: what balance sheet accounts had before and what they moved is not known. */
  began: z.exactOptional(day),
  ...columnHead,
});
/** Indices of columns of amounts among all columns. */
export const changeColumn = z.object({ kind: z.enum(['change', 'percent']), of: z.int(), against: z.int(), ...columnHead });
/** In percent of what the line has in a column. */
export const shareColumn = z.object({ kind: z.literal('share'), of: z.int(), line: z.string(), ...columnHead });
/** `text`: the formula, over keys of the plan's columns. */
export const calculationColumn = z.object({ kind: z.literal('calculation'), text: z.string(), result: columnResult, ...columnHead });
export const textColumn = z.object({ kind: z.literal('text'), ...columnHead });

export const statementColumn = z.discriminatedUnion('kind', [amountColumn, changeColumn, shareColumn, calculationColumn, textColumn]);

export const unit = z.enum(['amount', 'ratio', 'percent', 'days']);
export const statementKinds = z.enum(['balance_sheet', 'income_statement', 'cash_flow', 'changes_in_equity', 'free']);

/** What a row is on the page. */
export const rowRole = z.enum(['heading', 'line', 'account', 'total', 'final', 'text', 'space']);

/** Why a calculation has no value in a column; the facts name lines and places in the formula's text. */
const lineFault = z.looseObject({ code: z.string() });

/** Whether a higher figure, as it is shown, is better or a lower one. */
export const figureNature = z.enum(['higher', 'lower', 'neither']);

export const statementRow = z.object({
  key: z.string(),
  lineKey: z.string(),
  accountId: accountInStatement.nullable(),
  role: rowRole,
  caption: z.string(),
  depth: z.int(),
  opens: z.boolean(),
  open: z.boolean(),
  /** Shown amounts in the row's unit, or in the column's, of percents and ratios with its decimals; `null` where there is no figure. */
  values: z.array(amount.nullable()),
  /** Minor units, hundredths, tenths of a percent, days; of amounts where it is left out. */
  unit: z.exactOptional(unit),
  /** Why columns have no figure, where any has none. */
  faults: z.exactOptional(z.array(lineFault.nullable())),
  look: z.exactOptional(
    z.object({
      weight: z.enum(['usual', 'plain', 'strong', 'ruled', 'final']),
      indent: z.int(),
      spaceBefore: z.boolean(),
      breakBefore: z.boolean(),
      better: z.exactOptional(figureNature),
    }),
  ),
  note: z.exactOptional(z.string()),
  /** Left out where it is the usual one: in an income statement a higher figure is better, elsewhere neither. */
  better: z.exactOptional(figureNature),
});
export type StatementRowBody = z.infer<typeof statementRow>;

export const proof = z.object({
  name: z.enum([
    'trial_balance',
    'assets_equal_claims',
    'profit_in_equity',
    'cash_ties',
    'natures_said',
    'own_totals',
    'equity_ties',
    'coverage',
    'codes_complete',
    'layouts_complete',
    'parents_without_postings',
    'normal_sides',
    'profit_allotted',
    'balances_from_lines',
  ]),
  state: z.enum(['holds', 'fails', 'to_look_at', 'not_provable']),
  difference: amount,
  figures: z.array(z.object({ name: z.string(), day, net: amount })),
  accounts: z.array(z.object({ accountId: id, number: z.string(), name: z.string(), element, reason: z.string(), net: amount })),
  /** Of the proof over composed layouts: each that claims to be whole. */
  layouts: z.exactOptional(
    z.array(
      z.object({
        layoutId: id,
        name: z.string(),
        inScope: z.int(),
        faults: z.array(z.object({ accountId: id, state: z.enum(['unplaced', 'half_placed', 'doubled']), net: amount })),
      }),
    ),
  ),
});
export type ProofBody = z.infer<typeof proof>;

export const statement = z.object({
  kind: statementKinds,
  /** The composed layout that it is of. */
  layoutId: id.nullable(),
  title: z.string(),
  /** In which title and captions are. */
  language,
  currency: z.string(),
  /** Decimals of the amounts: those of the currency, or none where they are scaled. */
  exponent: z.int(),
  /** Where it is not the company's currency: that, and the rate that is laid over all amounts, or `null` where each comes in by its own. */
  presentation: z.object({ from: z.string(), rate: z.object({ text: z.string(), day }).nullable() }).nullable(),
  scale: scaleUnit,
  rounding,
  columns: z.array(statementColumn),
  /** That it was run with. */
  plan: z.object({ plan: planName, planId: id.nullable() }),
  rows: z.array(statementRow),
  /** How many rungs of categories there are to open. */
  rungs: z.int(),
  /** Amounts that stand on one line instead of another; values as those of rows. */
  transfers: z.array(z.object({ text: z.string(), from: z.string(), on: z.string(), values: z.array(amount.nullable()) })),
  /** What has to be said under the figures, in the language of the captions. */
  notes: z.array(z.string()),
  /** Printed figures that are neither floor nor ceiling of their amounts, not what another statement prints, or do not come to their total across. */
  exceptions: z.array(z.object({ key: z.string(), column: z.int(), why: z.enum(['beyond', 'given', 'across']) })),
  /** Its totals do not tie, or a cash flow does not explain its cash. */
  isDraft: z.boolean(),
  revision: z.int(),
});
export type StatementBody = z.infer<typeof statement>;

/** `layout`: a composed one that is on the screen, held against its own totals. */
export const proofsQuery = classifiedSpanQuery.extend({ layout: z.coerce.number().int().positive().optional() });

export const proofList = z.object({ proofs: z.array(proof), revision: z.int() });
export type ProofList = z.infer<typeof proofList>;

export const evidenceQuery = z.object({
  from: day,
  to: day,
  ...comparisonQuery,
  ...planQuery,
  ...facetQuery,
  ...classificationQuery.shape,
  /** Of the columns of amounts. */
  column: z.coerce.number().int().min(0).max(99).default(0),
  line: z.string().max(100),
  account: z.coerce.number().int().optional(),
  ...presentationQuery,
});
export type EvidenceQuery = z.infer<typeof evidenceQuery>;

export const evidence = z.object({
  caption: z.string(),
  measure: z.enum(['opening', 'closing', 'movement']),
  /** Lines with these values alone are in it. */
  facets: z.record(listKey, z.array(z.string())),
  /** Lines of this layer alone are in it; `null`: of both. */
  layer: layer.nullable(),
  firstDay: day,
  lastDay: day,
  /** Name of the budget that the figure is of, behind which there are no entries. */
  budget: z.string().nullable(),
  budgetId: id.nullable(),
  /** As shown in the cell, in its unit; `null` where it has no value. */
  amount: amount.nullable(),
  /** From the top of the statement down to the line; shown amounts. */
  climb: z.array(z.object({ key: z.string(), caption: z.string(), amount })),
  /** What it is made of, debit positive, largest first. */
  accounts: z.array(z.object({ accountId: accountInStatement, number: z.string(), name: z.string(), net: amount, sideAgainst: side.nullable() })),
  /** Amounts that no single account bears: profit of the year, and profit of completed years in retained earnings. */
  carried: z.array(z.object({ caption: z.string(), net: amount })),
  /** Of a calculation: its formula read out with captions, and the lines that it names. */
  formula: z.object({ text: z.string(), operands: z.array(z.object({ key: z.string(), caption: z.string(), unit, amount: amount.nullable() })) }).nullable(),
  unit,
  entryCount: z.int(),
  /** Of its amounts, which are exact: the company's where one rate is laid over a statement. */
  currency: z.string(),
  exponent: z.int(),
  /** Where one account is opened: that whose entries are behind it; `null` where there are none. */
  ledgerAccountId: id.nullable(),
});
export type EvidenceBody = z.infer<typeof evidence>;
