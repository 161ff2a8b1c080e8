import { z } from 'zod';

/** The characters of the text that are wrong; of length zero where something is missing there. */
const inText = { at: z.int(), length: z.int() };
const column = { column: z.string() };

const formulaFault = z.discriminatedUnion('code', [
  z.strictObject({
    code: z.literal('formula_malformed'),
    reason: z.enum([
      'empty',
      'value_missing',
      'comparison_missing',
      'parenthesis_missing',
      'comma_missing',
      'character_unknown',
      'quote_left_open',
      'function_unknown',
      'span_outside_sum',
      'left_over',
      'too_deep',
    ]),
    ...inText,
  }),
  z.strictObject({ code: z.literal('formula_line_unknown'), named: z.string(), ...inText }),
  z.strictObject({ code: z.literal('formula_span_unknown'), from: z.string(), to: z.string(), ...inText }),
]);

/** Why a layout cannot be run with a column plan. */
export const planFault = z.discriminatedUnion('code', [
  z.strictObject({ code: z.literal('column_key_twice'), ...column }),
  z.strictObject({ code: z.literal('column_unknown'), ...column, named: z.string() }),
  z.strictObject({ code: z.literal('column_span_reversed'), ...column }),
  z.strictObject({ code: z.literal('column_list_unknown'), ...column }),
  z.strictObject({ code: z.literal('column_needs_movement'), ...column }),
  z.strictObject({ code: z.literal('column_needs_equity'), ...column }),
  z.strictObject({ code: z.literal('column_placed_today'), ...column }),
  z.strictObject({ code: z.literal('column_formula'), ...column, fault: formulaFault }),
]);
