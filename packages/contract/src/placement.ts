import { z } from 'zod';
import { accountRole, amount, day, element, id, name, placeSide, side, step, term, version } from './primitives.ts';

export const category = z.object({
  id,
  parentId: id.nullable(),
  element,
  name: z.string(),
  position: z.int(),
  term: term.nullable(),
  step: step.nullable(),
  contraOf: id.nullable(),
  version,
});
export type CategoryBody = z.infer<typeof category>;

export const categoryInput = z.strictObject({
  parentId: id.nullable(),
  element,
  name,
  term: term.nullable().default(null),
  step: step.nullable().default(null),
  contraOf: id.nullable().default(null),
});

/** Only what changes; `after` names the sibling to stand behind, `null` to stand first. */
export const categoryChange = z.strictObject({
  version,
  name: name.optional(),
  parentId: id.nullable().optional(),
  after: id.nullable().optional(),
  term: term.nullable().optional(),
  step: step.nullable().optional(),
  contraOf: id.nullable().optional(),
});
export type CategoryChange = z.infer<typeof categoryChange>;

export const place = z.strictObject({ side: placeSide, categoryId: id });

export const placedAccount = z.object({
  id,
  number: z.string(),
  name: z.string(),
  /** Number and name; without numbers the name, or the path of names where another has it too. */
  label: z.string(),
  element,
  normalSide: side,
  parentId: id.nullable(),
  isParent: z.boolean(),
  role: accountRole.nullable(),
  places: z.array(place),
  /** Balance at the end of the span (balance sheet), or movement over it (income and expense); debit positive. */
  amount,
  comparative: amount,
});

export const placementView = z.object({
  categories: z.array(category),
  accounts: z.array(placedAccount),
  span: z.object({ firstDay: day, lastDay: day }),
  comparative: z.object({ firstDay: day, lastDay: day }),
  balanceComparative: day,
  revision: z.int(),
});
export type PlacementView = z.infer<typeof placementView>;

export const placesChange = z.strictObject({
  changes: z
    .array(
      z.strictObject({
        accountId: id,
        /** The places the account is thought to have; another one is a conflict. */
        before: z.array(place).max(2),
        after: z.array(place).max(2),
      }),
    )
    .min(1)
    .max(20_000),
});
export type PlacesChange = z.infer<typeof placesChange>;
