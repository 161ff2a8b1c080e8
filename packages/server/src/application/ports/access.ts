import type { Outcome, RoleKey } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';
import type { Person } from './peopleStore.ts';

/** Somebody who was asked into a company, by address. */
export interface Invitation {
  readonly id: number;
  readonly email: string;
  readonly role: RoleKey;
  /** UTC, as DATETIME text. */
  readonly invitedAt: string;
  readonly isOpen: boolean;
}

/** Who is asked, and for what. */
export interface Invited {
  readonly name: string;
  readonly email: string;
  readonly role: RoleKey;
}

/** Behind a link. */
export interface InvitationFound {
  readonly companyId: number;
  readonly company: string;
  readonly email: string;
  /** As whoever invited them wrote it. */
  readonly name: string;
  readonly role: RoleKey;
  /** Of one that the company made; empty for one that every company has. */
  readonly roleName: string;
  /** `revoked`: who made it may invite nobody to the company any more. */
  readonly state: 'open' | 'expired' | 'revoked';
}

export interface InvitationStore {
  list(companyId: number): Promise<Invitation[]>;
  /** Refused where the address works in the company already, or was asked. */
  add(companyId: number, invited: Invited, tokenHash: Buffer, actor: Actor): Promise<Outcome<number, Failure>>;
  /** Whom it is for; the link before stops working. */
  renew(companyId: number, id: number, tokenHash: Buffer, actor: Actor): Promise<Outcome<Invited, Failure>>;
  withdraw(companyId: number, id: number, actor: Actor): Promise<Outcome<null, Failure>>;
  find(tokenHash: Buffer): Promise<InvitationFound | null>;
  /** Once only, by the person whose address it is for. */
  accept(tokenHash: Buffer, person: Person): Promise<Outcome<{ readonly companyId: number }, Failure>>;
  /** The same for somebody who has no account yet: it is made. */
  join(tokenHash: Buffer, passwordHash: string, name: string): Promise<Outcome<Person, Failure>>;
}

/** How long somebody has to wait before the next try of the same thing. */
export interface SignInPauses {
  /** Counts a try before it is judged. `0`: it may be judged; else the seconds until one may. */
  take(subject: PauseSubject): Promise<number>;
  forget(subject: PauseSubject): Promise<void>;
}

export interface PauseSubject {
  readonly key: string;
  /** As many failures make no pause yet. */
  readonly free: number;
}

/** Browsers that somebody signed in with before, by the SHA-256 of what they keep. */
export interface KnownBrowsers {
  knows(personId: number, tokenHash: Buffer): Promise<boolean>;
  remember(personId: number, tokenHash: Buffer): Promise<void>;
  /** All of a person. */
  forget(personId: number): Promise<void>;
}

export interface AccessEvent {
  readonly kind:
    | 'signed_in'
    | 'sign_in_failed'
    | 'session_ended'
    | 'password_changed'
    | 'recovery_asked'
    | 'link_made'
    | 'link_used'
    | 'link_refused'
    | 'invited'
    | 'invitation_renewed'
    | 'invitation_withdrawn'
    | 'invitation_accepted'
    | 'exported'
    | 'second_factor_set_up'
    | 'second_factor_removed'
    | 'second_factor_failed'
    | 'recovery_code_used'
    | 'recovery_codes_made'
    | 'second_factor_required'
    | 'second_factor_left_open';
  /** Who did it; `null` where nobody was signed in. */
  readonly actorId: number | null;
  /** To whom; `null` where that is nobody known. */
  readonly personId: number | null;
  readonly companyId: number | null;
  /** The address on the network that it came from. */
  readonly origin: string;
  readonly facts: Readonly<Record<string, unknown>>;
}

export interface AccessEventRecord extends AccessEvent {
  readonly id: number;
  readonly actor: string | null;
  readonly person: string | null;
  /** UTC, as DATETIME text. */
  readonly happenedAt: string;
}

/** Who came in, tried to, was let in, and took what out. */
export interface AccessLog {
  note(event: AccessEvent): Promise<void>;
  /** Latest first. */
  latest(most: number): Promise<AccessEventRecord[]>;
}
