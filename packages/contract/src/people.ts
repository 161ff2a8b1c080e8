import { z } from 'zod';
import { id, name, version } from './primitives.ts';

export const role = z.enum(['reader', 'reviewer', 'preparer', 'administrator']);
const email = z.string().trim().toLowerCase().max(200).pipe(z.email());
/** Its own rules are checked with the person known, so that a refusal can say which one. */
const password = z.string().min(1).max(500);
const token = z.string().min(20).max(100);

export const session = z.object({
  /** `null` while nobody is signed in. */
  person: z.object({ id, name: z.string(), email: z.string(), mayAddCompanies: z.boolean(), hasPassword: z.boolean() }).nullable(),
  /** As whom anybody may enter: in demo mode only. */
  demoRoles: z.array(role),
});
export type Session = z.infer<typeof session>;

export const signIn = z.strictObject({ email, password });
export const demoEntry = z.strictObject({ role });
export const passwordChange = z.strictObject({ current: password, next: password });

export const linkLook = z.strictObject({ token });
/** Whom a one-time link is for; the first administrator names themselves. */
export const linkView = z.object({ isFirst: z.boolean(), name: z.string(), email: z.string() });
export type LinkView = z.infer<typeof linkView>;
/** Name and e-mail are asked of the first administrator only; others have theirs. */
export const linkUse = z.strictObject({ token, password, name: name.optional(), email: email.optional() });

export const personList = z.object({
  people: z.array(
    z.object({
      personId: id,
      name: z.string(),
      email: z.string(),
      role,
      version,
      hasPassword: z.boolean(),
      mayAddCompanies: z.boolean(),
      /** UTC, or `null` for one who has never signed in. */
      lastSignIn: z.string().nullable(),
    }),
  ),
});
export type PersonList = z.infer<typeof personList>;
export const personInput = z.strictObject({ name, email, role });
export const roleChange = z.strictObject({ role, version });
export const companyGrant = z.strictObject({ may: z.boolean() });
export const personRemoval = z.object({ version: z.coerce.number().int().nonnegative() });
/** `token` is said once and kept nowhere; `null` where the person can sign in already. */
export const addedPerson = z.object({ personId: id, token: z.string().nullable() });
export type AddedPerson = z.infer<typeof addedPerson>;
