import { z } from 'zod';
import { listKey } from './codeLists.ts';

const values = z.record(listKey, z.array(z.string().max(50)).min(1).max(200));

/**
 * Only lines with some facet values, as JSON text: of each facet the values wanted, with all nested below them; the empty
 * text for lines without one. `{"facet:3":["TERN","GULL"]}`.
 */
export const facetQuery = {
  facets: z
    .string()
    .max(100_000)
    .default('')
    .transform((text, context) => {
      if (text === '') return {};
      const read = values.safeParse(jsonOf(text));
      if (read.success) return read.data;
      context.addIssue({ code: 'custom', message: 'is no choice of facet values' });
      return z.NEVER;
    }),
};

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
