import { z } from 'zod';
import { id, name, version } from './primitives.ts';

const builtInRole = z.enum(['reader', 'reviewer', 'preparer', 'administrator']);
/** A role that every company has, or one that the company made, by its id: `own:7`. */
export const roleKey = z.union([builtInRole, z.templateLiteral(['own:', z.int().positive()])]);
export const permission = z.enum([
  'see',
  'see_papers',
  'prepare_entries',
  'keep_chart',
  'keep_placement',
  'keep_layouts',
  'keep_budgets_and_rates',
  'lock_periods',
  'keep_people_and_settings',
]);
const email = z.string().trim().toLowerCase().max(200).pipe(z.email());
/** Its own rules are checked with the person known, so that a refusal can say which one. */
const password = z.string().min(1).max(500);
const token = z.string().min(20).max(100);

export const session = z.object({
  /** `null` while nobody is signed in. */
  person: z
    .object({
      id,
      name: z.string(),
      email: z.string(),
      mayAddCompanies: z.boolean(),
      keepsInstallation: z.boolean(),
      hasPassword: z.boolean(),
      hasSecondFactor: z.boolean(),
    })
    .nullable(),
  /** Whether a second factor has to be set up before anything else. */
  lacksSecondFactor: z.boolean(),
  /** As whom anybody may enter: in demo mode only. */
  demoRoles: z.array(builtInRole),
});
export type Session = z.infer<typeof session>;

/** Of a device, or for recovery. */
const code = z.string().trim().min(1).max(20);
/** `code`: asked for where the person has a second factor. */
export const signIn = z.strictObject({ email, password, code: code.optional() });

export const secondFactor = z.object({ isOn: z.boolean(), isRequired: z.boolean(), codesLeft: z.int() });
export type SecondFactor = z.infer<typeof secondFactor>;
export const secondFactorBeginning = z.strictObject({ password });
/** `secret` as it is typed into a device, `address` as it is photographed there (otpauth). */
export const secondFactorBegun = z.object({ secret: z.string(), address: z.string() });
export const codeGiven = z.strictObject({ code });
/** Said once and kept nowhere. */
export const recoveryCodes = z.object({ codes: z.array(z.string()) });
export const secondFactorRemoval = z.strictObject({ password, code });
export const secondFactorDemand = z.strictObject({ isRequired: z.boolean() });
export const demoEntry = z.strictObject({ role: builtInRole });
export const passwordChange = z.strictObject({ current: password, next: password });

export const linkToken = z.strictObject({ token });
/** Whom a link is for and what it opens; the first administrator names themselves. */
export const linkView = z.object({
  opens: z.enum(['first', 'password', 'company']),
  name: z.string(),
  email: z.string(),
  /** Of an invitation: what it is to, and whether its owner has an account to sign in with. */
  invitation: z.object({ company: z.string(), role: roleKey, roleName: z.string(), hasAccount: z.boolean() }).nullable(),
});
export type LinkView = z.infer<typeof linkView>;
/** Name and e-mail are asked of the first administrator only; who is invited may give another name. */
export const linkUse = z.strictObject({ token, password, name: name.optional(), email: email.optional() });

export const personList = z.object({
  people: z.array(
    z.object({
      personId: id,
      name: z.string(),
      email: z.string(),
      role: roleKey,
      version,
      hasPassword: z.boolean(),
      mayAddCompanies: z.boolean(),
      hasSecondFactor: z.boolean(),
      /** UTC, or `null` for one who has never signed in. */
      lastSignIn: z.string().nullable(),
    }),
  ),
  /** Asked, and not here yet: of them nothing is known but the address. */
  invitations: z.array(z.object({ invitationId: id, email: z.string(), role: roleKey, invitedAt: z.string(), isOpen: z.boolean() })),
  /** Roles that the company made, by name. `holders`: people and invitations. */
  ownRoles: z.array(z.object({ id, name: z.string(), permissions: z.array(permission), version, holders: z.int() })),
});
export type PersonList = z.infer<typeof personList>;
export const personInput = z.strictObject({ name, email, role: roleKey });
export const roleChange = z.strictObject({ role: roleKey, version });
/** A role of the company's own. Whoever may anything may see, whether it is said or not. */
export const ownRoleInput = z.strictObject({ name, permissions: z.array(permission).max(permission.options.length) });
export const ownRoleChange = ownRoleInput.extend({ version });
export const companyGrant = z.strictObject({ may: z.boolean() });
export const personRemoval = z.object({ version: z.coerce.number().int().nonnegative() });
/** `token` is said once and kept nowhere. */
export const invited = z.object({ invitationId: id, token: z.string() });
export type Invited = z.infer<typeof invited>;
export const renewedLink = z.object({ personId: id, token: z.string() });
export type RenewedLink = z.infer<typeof renewedLink>;

export const recoveryAsked = z.strictObject({ email });

/** Where somebody is signed in. */
export const sessionList = z.object({
  sessions: z.array(
    z.object({
      /** Tells it apart; opens nothing. */
      mark: z.string(),
      device: z.string(),
      origin: z.string(),
      startedAt: z.string(),
      lastSeen: z.string().nullable(),
      isHere: z.boolean(),
    }),
  ),
});
export type SessionList = z.infer<typeof sessionList>;
export const sessionEnd = z.strictObject({ mark: z.string().regex(/^[0-9a-f]{16}$/) });

/** What goes out, what runs by itself and who came in, latest first, and what is kept in memory. */
export const installationView = z.object({
  letters: z.array(
    z.object({
      id,
      recipient: z.string(),
      subject: z.string(),
      content: z.string(),
      state: z.enum(['kept', 'waits', 'handed', 'sent', 'failed']),
      madeAt: z.string(),
      failure: z.string(),
    }),
  ),
  jobs: z.array(
    z.object({
      id,
      kind: z.string(),
      state: z.enum(['waits', 'runs', 'done', 'failed']),
      due: z.string(),
      attempt: z.int(),
      failure: z.string(),
      endedAt: z.string().nullable(),
    }),
  ),
  events: z.array(
    z.object({
      id,
      kind: z.string(),
      actorId: z.int().nullable(),
      personId: z.int().nullable(),
      companyId: z.int().nullable(),
      /** Addresses of both people, as they are now. */
      actor: z.string().nullable(),
      person: z.string().nullable(),
      origin: z.string(),
      facts: z.record(z.string(), z.unknown()),
      happenedAt: z.string(),
    }),
  ),
  /** `without`: people who have a password and no second factor. */
  secondFactor: z.object({ isRequired: z.boolean(), without: z.int() }),
  /** What the server keeps of companies between requests, in bytes, the largest first, and how often it was made. */
  memory: z.object({
    budget: z.int(),
    shares: z.array(z.object({ kind: z.enum(['books', 'facets', 'filtered', 'days', 'translated']), count: z.int(), bytes: z.int(), made: z.int() })),
  }),
});
export type InstallationView = z.infer<typeof installationView>;
export const helpAsked = z.strictObject({ email });
export const helpLink = z.object({ token: z.string() });
