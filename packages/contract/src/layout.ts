import { z } from 'zod';
import { listKey } from './codeLists.ts';
import { captions, noteNumber } from './placement.ts';
import { accountRole, amount, day, element, id, name, nature, placeSide, side, step, term, version } from './primitives.ts';
import { figureNature } from './statement.ts';

/** Unique in its layout; a letter, then letters, digits and underscores. */
const lineKey = z.string().regex(/^\p{L}[\p{L}\p{N}_]{0,79}$/u);
/** Of any line, those that follow categories among them: `category.12`. */
const anyLineKey = z.string().min(1).max(100);
const caption = z.string().trim().max(200);

const look = z.strictObject({
  weight: z.enum(['usual', 'plain', 'strong', 'ruled', 'final']),
  indent: z.int().min(0).max(6),
  spaceBefore: z.boolean(),
  breakBefore: z.boolean(),
  better: z.exactOptional(figureNature),
});
const shown = z.enum(['always', 'with_amounts', 'differs', 'never']);

/** Where a line takes accounts from. */
const source = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('category'), categoryId: id }),
  z.strictObject({ kind: z.literal('numbers'), text: z.string().trim().max(2000) }),
  z.strictObject({ kind: z.literal('code'), list: listKey, code: z.string().max(50), begins: z.boolean() }),
  z.strictObject({ kind: z.literal('account'), accountId: id, side: z.exactOptional(side) }),
  z.strictObject({ kind: z.literal('step'), step }),
  z.strictObject({ kind: z.literal('nature'), nature, elements: z.array(element).min(1).max(5) }),
  z.strictObject({ kind: z.literal('elements'), elements: z.array(element).min(1).max(5) }),
  z.strictObject({ kind: z.literal('role'), role: accountRole }),
]);
const sources = z.array(source).max(200);

const base = { key: lineKey, caption, captions, look, shown, hiddenIn: anyLineKey.nullable(), note: noteNumber };
const signed = { side: side.nullable(), reversed: z.boolean() };
const totalled = { totalCaption: caption, totalCaptions: captions };
const facets = z.record(listKey, z.array(z.string().max(50)).min(1).max(200));
const taking = {
  sources,
  except: sources,
  takes: placeSide,
  facets,
  measure: z.enum(['column', 'opening', 'closing', 'mean', 'movement']),
  /** Of movements: on the normal side of each account alone, or on the other. */
  direction: z.exactOptional(z.enum(['increase', 'decrease', 'transfer'])),
  byAccount: z.boolean(),
  /** Under those that they are sub-accounts of, down to so many. */
  byTree: z.exactOptional(z.int().min(1).max(10)),
};

const followed = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('category'), categoryId: id }),
  z.strictObject({ of: z.literal('term'), element: z.enum(['asset', 'liability']), term }),
  z.strictObject({ of: z.literal('element'), element }),
  z.strictObject({ of: z.literal('step'), step }),
  z.strictObject({ of: z.literal('flow'), part: z.enum(['without_cash', 'working_capital', 'investing', 'financing']) }),
]);

/** What is changed in a line that follows. */
const adjustment = z.strictObject({
  key: anyLineKey,
  caption: z.exactOptional(caption),
  captions: z.exactOptional(captions),
  reversed: z.exactOptional(z.boolean()),
  look: z.exactOptional(look),
  shown: z.exactOptional(shown),
  note: z.exactOptional(noteNumber),
  /** Behind which line beside it; `null`: first. */
  after: z.exactOptional(anyLineKey.nullable()),
  hiddenIn: z.exactOptional(anyLineKey),
  apart: z.exactOptional(z.literal(true)),
});

const accountsLine = z.strictObject({ kind: z.enum(['accounts', 'memo']), ...base, ...signed, ...taking });
const remainderLine = z.strictObject({
  kind: z.literal('remainder'),
  ...base,
  ...signed,
  elements: z.array(element).max(5),
  byAccount: z.boolean(),
  byTree: z.exactOptional(z.int().min(1).max(10)),
});
const sumLine = z.strictObject({
  kind: z.literal('sum'),
  ...base,
  ...signed,
  terms: z.array(z.strictObject({ key: anyLineKey, sign: z.union([z.literal(1), z.literal(-1)]) })).max(500),
});
const calculationLine = z.strictObject({
  kind: z.literal('calculation'),
  ...base,
  ...signed,
  formula: z.string().max(2000),
  result: z.enum(['amount', 'ratio', 'percent', 'days']),
});
const resultLine = z.strictObject({
  kind: z.literal('result'),
  ...base,
  reversed: z.boolean(),
  except: z.exactOptional(sources),
  only: z.exactOptional(z.enum(['profit', 'loss'])),
  /** Of a cash flow that takes out what moved without cash: the line where profit is freed of it. */
  freedOn: z.exactOptional(anyLineKey),
});
const cashLine = z.strictObject({
  kind: z.literal('cash'),
  ...base,
  of: z.enum(['opening', 'closing', 'exchange']),
  /** Of the effect of exchange rates: the line where profit is freed of it. */
  addedBackOn: anyLineKey.nullable(),
});
const textLine = z.strictObject({ kind: z.enum(['text', 'space']), ...base });
const groupBase = z.strictObject({ kind: z.literal('group'), ...base, ...signed, ...totalled });
const headingBase = z.strictObject({ kind: z.literal('heading'), ...base });
const followsBase = z.strictObject({
  kind: z.literal('follows'),
  ...base,
  ...signed,
  ...totalled,
  followed,
  /** `several`: a group where there is more than one line to add up. */
  frame: z.enum(['group', 'bare', 'several']),
  /** The last of the categories first. */
  backwards: z.exactOptional(z.literal(true)),
  adjustments: z.array(adjustment).max(2000),
});

export type OwnLineBody =
  | z.infer<typeof accountsLine>
  | z.infer<typeof remainderLine>
  | z.infer<typeof sumLine>
  | z.infer<typeof calculationLine>
  | z.infer<typeof resultLine>
  | z.infer<typeof cashLine>
  | z.infer<typeof textLine>
  | (z.infer<typeof groupBase> & { children: OwnLineBody[] })
  | (z.infer<typeof headingBase> & { children: OwnLineBody[] })
  | (z.infer<typeof followsBase> & { inserted: { within: string | null; after: string | null; line: OwnLineBody }[] });

const ownLine: z.ZodType<OwnLineBody> = z
  .lazy(() =>
    z.discriminatedUnion('kind', [accountsLine, remainderLine, sumLine, calculationLine, resultLine, cashLine, textLine, groupLine, headingLine, followsLine]),
  )
  .meta({ id: 'OwnLine' });
const groupLine = groupBase.extend({ children: z.array(ownLine).max(1000) });
const headingLine = headingBase.extend({ children: z.array(ownLine).max(1000) });
const followsLine = followsBase.extend({
  /** Lines of the author's among those that follow: in which group of them, behind which line. */
  inserted: z.array(z.strictObject({ within: anyLineKey.nullable(), after: anyLineKey.nullable(), line: ownLine })).max(1000),
});

const layoutKind = z.enum(['balance_sheet', 'income_statement', 'cash_flow', 'changes_in_equity', 'free']);

/** Columns that a statement is run with where nothing else is asked for. */
export const usualColumns = z.union([
  z.strictObject({ plan: z.enum(['comparison', 'periods', 'quarters']) }),
  z.strictObject({ plan: z.literal('composed'), planId: id }),
]);

/** A layout that somebody composed. */
export const ownLayout = z.strictObject({
  kind: layoutKind,
  title: name,
  titles: captions,
  /** Of a free layout: what its columns hold. */
  measure: z.enum(['closing', 'movement']),
  /** Of a free layout: the elements that have to stand in it. */
  scope: z.array(element).max(5),
  lines: z.array(ownLine).max(1000),
  /** Of a cash flow: overdrafts are placed like any other account, and only cash in debit is cash. */
  overdraftsApart: z.exactOptional(z.boolean()),
  /** Of a cash flow: what moved between activities without cash is in no line. */
  withoutCash: z.exactOptional(z.enum(['taken_out', 'counts'])),
  /** What it is run with where nothing else is asked for. */
  columns: z.exactOptional(usualColumns),
  /** Amounts moved between two lines: what sources moved in each column, or a fixed inflow on a day. */
  transfers: z.exactOptional(
    z
      .array(
        z.strictObject({
          key: lineKey,
          text: z.string().trim().max(300),
          on: anyLineKey,
          from: anyLineKey,
          amount: z.discriminatedUnion('kind', [
            z.strictObject({ kind: z.literal('living'), sources, except: sources }),
            z.strictObject({ kind: z.literal('fixed'), day, inflow: amount }),
          ]),
        }),
      )
      .max(500),
  ),
});
export type OwnLayoutBody = z.infer<typeof ownLayout>;

const listedLayout = z.object({
  id,
  classificationId: id,
  name: z.string(),
  kind: layoutKind,
  /** Number of the version that runs; `null` where none was put in use yet. */
  inUse: z.int().nullable(),
  /** Whether there is a draft that is not in use. */
  hasDraft: z.boolean(),
  changedAt: z.string(),
  changedBy: z.string(),
  version,
});
export type ListedLayout = z.infer<typeof listedLayout>;
export const layoutList = z.object({ layouts: z.array(listedLayout) });
export type LayoutList = z.infer<typeof layoutList>;

const layoutVersion = z.object({ number: z.int(), at: z.string(), by: z.string(), reason: z.string() });

export const layoutDetail = listedLayout.extend({
  /** What is worked at: the draft, or the version in use where there is none. */
  definition: ownLayout,
  /** The version in use, where there is one. */
  used: ownLayout.nullable(),
  versions: z.array(layoutVersion),
  /** Drafts that were dropped, or of which somebody else's change stands. */
  keptDrafts: z.array(z.object({ number: z.int(), at: z.string(), by: z.string() })),
});
export type LayoutDetail = z.infer<typeof layoutDetail>;
export const keptDraft = z.object({ definition: ownLayout });
export const savedLayout = layoutDetail.extend({
  /** What somebody else had saved since: captions of lines that came from there, and of those that both changed otherwise, where what was sent stands. */
  joined: z.object({ by: z.string(), joined: z.array(z.string()), overridden: z.array(z.string()) }).nullable(),
});
export type SavedLayout = z.infer<typeof savedLayout>;
export const layoutVersionDetail = layoutVersion.extend({ definition: ownLayout });
export type LayoutVersionDetail = z.infer<typeof layoutVersionDetail>;

/** `from`: the generated layout that it begins as and goes on following, the layout that it is a copy of, or nothing. */
export const layoutInput = z.strictObject({
  name,
  from: z.union([z.enum(['balance_sheet', 'income_statement', 'cash_flow', 'changes_in_equity', 'trial_balance', 'nothing']), id]),
  classificationId: id.optional(),
});
export type LayoutInput = z.input<typeof layoutInput>;
export const layoutRename = z.strictObject({ version, name });
/**
 * `definition`: `null` drops what was drafted. `base`: what stood at the version; with it, what somebody else saved since is joined line by line
 * rather than refused.
 */
export const layoutDraft = z.strictObject({ version, definition: ownLayout.nullable(), base: ownLayout.optional() });
export type LayoutDraft = z.input<typeof layoutDraft>;
export const layoutPutInUse = z.strictObject({ version, reason: z.string().trim().max(500).default('') });

/** Names of all that lines speak of by id, by which another chart is asked for the same. */
export const carriedNames = z.strictObject({
  categories: z.array(z.strictObject({ id, element, path: z.array(z.string().max(200)).min(1).max(12) })).max(5000),
  accounts: z.array(z.strictObject({ id, number: z.string().max(50), name: z.string().max(200) })).max(20_000),
  lists: z.array(z.strictObject({ key: listKey, name: z.string().max(100) })).max(200),
});

/** Lines of a layout on their way to another one. */
export const copiedLines = z.strictObject({ format: z.literal('ivory-ladder-lines'), lines: z.array(ownLine).max(1000), names: carriedNames });

/** A layout as a file: its own version, so that later ones can still read it. */
export const layoutFile = z.strictObject({ format: z.literal('ivory-ladder-layout'), version: z.literal(1), name, layout: ownLayout, names: carriedNames });
export const layoutFileQuery = z.object({ classification: z.coerce.number().int().positive().optional() });
export const layoutRead = z.object({
  layout: layoutDetail,
  /** What the file names and this chart does not have, and fixed transfers, which are amounts of another company; the lines stand without it. */
  missing: z.array(z.object({ line: z.string(), thing: z.enum(['category', 'account', 'list', 'code', 'transfer']), name: z.string() })),
});
export type LayoutRead = z.infer<typeof layoutRead>;
