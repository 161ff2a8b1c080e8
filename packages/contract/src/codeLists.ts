import { z } from 'zod';
import { element, id, side, version } from './primitives.ts';

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
});
const mostCodes = 20_000;

export const codeListInput = z.strictObject({ kind: listKind, name: listName, codes: z.array(listedCode).max(mostCodes).default([]) });
export type CodeListInput = z.input<typeof codeListInput>;

/** Only what changes. `was`: the code until now, `null` for a new one. */
export const codeListChange = z.strictObject({
  version,
  name: listName.optional(),
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
  version,
  /** `accounts`: how many have the code. */
  codes: z.array(
    z.object({
      code: z.string(),
      caption: z.string(),
      element: element.nullable(),
      side: side.nullable(),
      parent: z.string().nullable(),
      accounts: z.int(),
    }),
  ),
});
export type CodeListBody = z.infer<typeof codeList>;
export const codeLists = z.object({ lists: z.array(codeList) });
export type CodeLists = z.infer<typeof codeLists>;
