import { z } from 'zod';
import { permission } from '../people.ts';
import { id } from '../primitives.ts';
import { answered, conflict, type FailureKind, forbidden, nothing, refused } from './failureKind.ts';

/** `seconds` until there is room. */
const later = { seconds: z.int() };

/** What any request may meet, whatever it is about. */
export const requestFailures = {
  not_found: answered(404)({ thing: z.string(), id: z.union([z.int(), z.string()]) }),
  route_unknown: answered(404)(nothing),
  request_invalid: answered(400)({ issues: z.array(z.object({ path: z.string(), message: z.string() })) }),
  host_refused: answered(421)(nothing),
  origin_refused: forbidden(nothing),
  header_missing: forbidden({ header: z.string() }),
  /** More than 64 kB of address and headers. */
  address_too_long: answered(431)(nothing),
  sign_in_needed: answered(401)(nothing),
  permission_needed: forbidden({ needs: permission }),
  asked_for_much: answered(429)(later),
  too_many_attempts: answered(429)(later),
  /** `current`: what stands there now, in the shape of the thing; null where it is read anew. `last`: who made it so, and when (UTC), where that is on record. */
  version_conflict: conflict({ thing: z.string(), id, current: z.unknown(), last: z.exactOptional(z.object({ by: z.string(), at: z.string() })) }),
  idempotency_key_reused: refused({ key: z.string() }),
  busy: answered(503)(nothing),
  /** The database went away in between; whatever was under way was rolled back, or was done already. */
  database_lost: answered(503)(nothing),
  /** It has not answered for ten seconds; what was asked for may still be done. */
  database_hangs: answered(503)(nothing),
  storage_full: answered(507)(nothing),
  share_of_disk_full: answered(507)({ of: z.enum(['company', 'person']), megabytes: z.number() }),
  internal: answered(500)(nothing),
} satisfies Record<string, FailureKind>;
