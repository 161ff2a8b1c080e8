import { z } from 'zod';

// The Content-Security-Policy allows no code made at run time, which Zod would otherwise use for speed. Here, since every schema is made of these.
z.config({ jitless: true });

/** Minor units as a decimal string, debit positive unless the field says otherwise. */
export const amount = z.string().regex(/^-?\d{1,19}$/);
/** From the first that a database keeps to one that leaves room for what is reckoned from it. */
export const day = z.iso.date().refine((text) => text >= '1000-01-01' && text <= '9990-12-31', { error: 'Out of range' });
export const id = z.int().positive();
/**
 * Of an account in a statement; −1: of the difference that translation into another currency leaves; below it: of one that stands for
 * another as it stood on an earlier day.
 */
export const accountInStatement = z.int();
export const idText = z.coerce.number().int().positive();
export const element = z.enum(['asset', 'liability', 'equity', 'income', 'expense']);
export const side = z.enum(['debit', 'credit']);
export const placeSide = z.enum(['any', 'debit', 'credit']);
export const layer = z.enum(['ledger', 'adjustment']);
export const term = z.enum(['current', 'non_current']);
export const step = z.enum(['revenue', 'cost_of_sales', 'other_operating', 'investing', 'financing', 'income_tax', 'discontinued']);
/** Of what kind the cash flows of a category are (IAS 7.10); `none`: it moves no cash. */
export const nature = z.enum(['operating', 'investing', 'financing', 'interest', 'dividends', 'income_tax', 'none', 'oci']);
export const accountRole = z.enum(['retained_earnings', 'cash', 'exchange_differences', 'suspense']);
export const version = z.int().nonnegative();
/** Who locked something, when (UTC) and why. */
export const lock = z.object({ at: z.string(), by: z.string(), reason: z.string() });
/** A name as people write it: trimmed, without control characters. */
export const name = z
  .string()
  .trim()
  .min(1)
  .max(200)
  .regex(/^[^\p{Cc}]*$/u);

/** Of captions (BCP 47); those whose words for generated lines come with the product. */
export const language = z.enum(['en', 'de', 'fr', 'nl', 'es', 'nb']);

/** The version of what is taken away, as it was seen: where it has changed since, nothing is. */
export const deletionQuery = z.object({ version: z.coerce.number().int().positive().optional() });
