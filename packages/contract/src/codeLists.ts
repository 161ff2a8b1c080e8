import { z } from 'zod';
import { amount, day, element, id, side, version } from './primitives.ts';

/** `report:7` for a list of report codes, `facet:8` for a facet. */
export const listKey = z.templateLiteral([z.enum(['report', 'facet']), ':', z.int()]);
const listKind = z.enum(['report', 'facet']);

/** One line without control characters, since it stands in cells of files. */
const oneLine = (most: number) =>
  z
    .string()
    .trim()
    .max(most)
    .regex(/^[^\p{Cc}]*$/u);
const listName = oneLine(100).pipe(z.string().min(1));
const code = oneLine(50).pipe(z.string().min(1));

const listedCode = z.strictObject({
  code,
  caption: oneLine(200),
  /** Which accounts it is meant for; `null`: any. */
  element: element.nullable().default(null),
  side: side.nullable().default(null),
  /** Code of the one above it. */
  parent: code.nullable().default(null),
  /** Kept for what has it, and not given any more. */
  retired: z.boolean().default(false),
});
const mostCodes = 20_000;

export const codeListInput = z.strictObject({ kind: listKind, name: listName, codes: z.array(listedCode).max(mostCodes).default([]) });
export type CodeListInput = z.input<typeof codeListInput>;

/** Account numbers, as `4000 to 4999, 61* except 6150`; empty for none. */
const accountNumbers = oneLine(1000);

/** Only what changes. `was`: the code until now, `null` for a new one. */
export const codeListChange = z.strictObject({
  version,
  name: listName.optional(),
  /** Of a list of report codes: elements whose accounts each need a code. */
  neededFor: z.array(element).max(5).optional(),
  /** Accounts that need a code of a list, or whose lines need a value of a facet; and accounts whose lines may not have one. */
  neededOn: accountNumbers.optional(),
  notAllowedOn: accountNumbers.optional(),
  set: z
    .array(listedCode.extend({ was: code.nullable() }))
    .max(mostCodes)
    .default([]),
  remove: z.array(code).max(mostCodes).default([]),
});
export type CodeListChange = z.input<typeof codeListChange>;

export const codeList = z.object({
  id,
  key: listKey,
  kind: listKind,
  name: z.string(),
  neededFor: z.array(element),
  neededOn: z.string(),
  notAllowedOn: z.string(),
  version,
  /** `accounts`: how many have the code. */
  codes: z.array(
    z.object({
      code: z.string(),
      caption: z.string(),
      element: element.nullable(),
      side: side.nullable(),
      parent: z.string().nullable(),
      retired: z.boolean(),
      accounts: z.int(),
    }),
  ),
});
export type CodeListBody = z.infer<typeof codeList>;
/** Values of two facets that may not stand on one line, each with all nested below it. */
const pairingRule = z.object({ first: listKey, firstValue: code, second: listKey, secondValue: code, reason: oneLine(300) });
export const pairingRuleInput = pairingRule.strict();
export type PairingRuleInput = z.input<typeof pairingRuleInput>;
export const addedPairingRule = z.object({ id });

/** A value for lines of the past that have none of its facet. */
export const facetFillInput = z.strictObject({
  value: code,
  accounts: accountNumbers.default(''),
  from: day.nullable().default(null),
  to: day.nullable().default(null),
});
export type FacetFillInput = z.input<typeof facetFillInput>;

export const facetFillFound = z.object({ lines: z.int(), accounts: z.array(z.object({ accountId: id, label: z.string(), lines: z.int(), net: amount })) });
export type FacetFillFoundBody = z.infer<typeof facetFillFound>;
/** What a file of values would give to lines of the past. */
export const facetFileFound = z.object({
  /** How many get a value, by value. */
  given: z.array(z.object({ value: code, lines: z.int(), net: amount })),
  /** Lines that have a value, which they keep. */
  kept: z.int(),
  faultCount: z.int(),
  /** The first of them. */
  faults: z.array(
    z.object({
      row: z.int(),
      code: z.enum(['document_missing', 'account_unknown', 'value_unknown', 'line_unreadable', 'line_missing', 'given_twice']),
      found: z.string(),
    }),
  ),
});
export type FacetFileFound = z.infer<typeof facetFileFound>;
export const facetFilled = z.object({ lines: z.int() });

/** The value that a line has of each facet. */
export const facetsOfLine = z.record(listKey, code);

export const codeLists = z.object({ lists: z.array(codeList), pairings: z.array(pairingRule.extend({ id })) });
export type CodeLists = z.infer<typeof codeLists>;
