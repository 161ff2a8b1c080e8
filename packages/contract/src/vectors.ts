import { z } from 'zod';
import { listKey } from './codeLists.ts';
import { day, id } from './primitives.ts';

const span = z.strictObject({ firstDay: day, lastDay: day });

/** One amount of every account; of what was posted, of the part of it that moved without cash, or of a budget. */
const vectorNeed = z.strictObject({
  amounts: z.discriminatedUnion('of', [
    z.strictObject({ of: z.literal('posted') }),
    z.strictObject({ of: z.literal('budget'), id }),
    z.strictObject({ of: z.literal('without_cash'), classificationId: id }),
  ]),
  /** Lines with these facet values alone. */
  filter: z.record(listKey, z.array(z.string().max(50)).max(2000)),
  layers: z.enum(['ledger', 'all']),
  take: z.discriminatedUnion('take', [
    z.strictObject({ take: z.literal('balance'), day, at: z.enum(['begin', 'end']) }),
    z.strictObject({ take: z.literal('movement'), span }),
    z.strictObject({ take: z.literal('flows'), span }),
  ]),
  money: z.discriminatedUnion('in', [
    z.strictObject({ in: z.literal('own') }),
    z.strictObject({ in: z.literal('other'), code: z.string().length(3), manner: z.enum(['held', 'moved']) }),
  ]),
  adjusting: z.exactOptional(z.strictObject({ which: z.enum(['before', 'only']), lastDay: day })),
});

/** `revision`, `structureVersion`: the state that all of them are wanted of; where it has gone on, none is given (`ledger_moved_on`). */
export const vectorsAsked = z.strictObject({ revision: z.int(), structureVersion: z.int(), needs: z.array(vectorNeed).min(1).max(500) });
export type VectorsAsked = z.input<typeof vectorsAsked>;
