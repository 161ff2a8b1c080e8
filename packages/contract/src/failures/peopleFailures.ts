import { z } from 'zod';
import { permission } from '../people.ts';
import { answered, conflict, type FailureKind, forbidden, nothing, refused } from './failureKind.ts';

const address = { email: z.string() };

/** Signing in, links, roles and what one may. */
export const peopleFailures = {
  /** Unknown, without a password or with a wrong one: which of them is not said. */
  sign_in_refused: answered(401)(nothing),
  password_wrong: refused(nothing),
  /** With the right password: a code has to come with it. */
  second_factor_needed: answered(401)(nothing),
  code_wrong: answered(401)(nothing),
  /** The installation asks for one, and nothing else is open before it is set up. */
  second_factor_to_set_up: forbidden(nothing),
  second_factor_required: forbidden(nothing),
  second_factor_there: conflict(nothing),
  second_factor_missing: conflict(nothing),
  second_factor_of_own_first: refused(nothing),
  password_refused: refused({ reason: z.enum(['too_short', 'too_long', 'too_simple', 'names_its_owner', 'common']) }),
  beyond_own_permissions: forbidden({ permissions: z.array(permission) }),
  role_name_taken: conflict({ name: z.string() }),
  role_in_use: conflict({ name: z.string(), holders: z.int() }),
  adding_companies_refused: forbidden(nothing),
  link_unusable: refused({ reason: z.enum(['unknown', 'used', 'expired', 'revoked']) }),
  link_needs_name: refused(nothing),
  person_is_member: conflict(address),
  person_is_invited: conflict(address),
  invitation_of_another: forbidden(address),
  /** Whoever is invited has an account, and signs in with it. */
  account_there_already: conflict(nothing),
  installation_not_kept: forbidden(nothing),
  person_of_other_companies: forbidden(nothing),
  last_administrator: conflict(nothing),
  own_right_kept: conflict(nothing),
} satisfies Record<string, FailureKind>;
