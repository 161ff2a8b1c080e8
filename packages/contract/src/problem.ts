import { z } from 'zod';
import { type FactsOf, type FailureCode, failures } from './failures/index.ts';

/** What every problem document has (RFC 9457), its code and facts apart. */
const frame = { type: z.string(), title: z.string() };

type ProblemOf<Code extends FailureCode> = { type: string; title: string; status: number; code: Code; facts: FactsOf<Code> };

/** A problem document; `code` and `facts` say what the failure is, wording is the reader's. Closed: a code that stands nowhere in the contract is no problem of ours. */
export type Problem = { [Code in FailureCode]: ProblemOf<Code> }[FailureCode];

const ofCodes = Object.entries(failures).map(([code, { status, facts }]) =>
  z.strictObject({ ...frame, status: z.literal(status), code: z.literal(code), facts }),
);

export const problem = z.discriminatedUnion('code', ofCodes as [(typeof ofCodes)[number]]) as unknown as z.ZodType<Problem>;
