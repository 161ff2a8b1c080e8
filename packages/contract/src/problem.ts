import { z } from 'zod';

/** RFC 9457 problem document; `code` and `facts` say what the failure is, wording is the reader's. */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  code: z.string(),
  facts: z.record(z.string(), z.unknown()),
});
export type Problem = z.infer<typeof problem>;
