import type { z } from 'zod';
import type { permission } from './people.ts';

/** One operation of the API: the only place where its path and the shapes it takes and gives are written down. */
export interface Operation {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** Under `/api`, parameters as `{name}`; all parameters are whole numbers but `kind`. */
  readonly path: string;
  readonly summary: string;
  /** Who may ask: anybody, anybody signed in, or a member of the company with this permission. */
  readonly needs: 'nobody' | 'person' | z.infer<typeof permission>;
  /** Open also to somebody who has to set up a second factor before anything else. */
  readonly beforeSecondFactor?: true;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** Thousands of rows may stand in the body: up to 20 MB of it, where it is 1 MB otherwise. */
  readonly takesMany?: true;
  /** A body of bytes instead of JSON. */
  readonly takesFile?: true;
  /** Such a body, taken as it comes, without being held whole. */
  readonly takesStream?: true;
  /** `stream`: a file given out as it is read. */
  readonly answer: z.ZodType | 'file' | 'stream' | 'none';
  readonly status?: 200 | 201 | 204;
  /** Takes an `Idempotency-Key` header: a repeated request answers with what the first one did. */
  readonly idempotent?: true;
}

const lists = ['definition', 'facets', 'open', 'shut'];

/** Whether what is asked for may be longer than an address can be; it is then asked for by POST under `/query`, with the same members in the body. */
export function mayBeLong({ query }: Operation): boolean {
  return query !== undefined && lists.some((key) => key in query.shape);
}
