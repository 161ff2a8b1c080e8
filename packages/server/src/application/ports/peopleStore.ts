import type { Outcome, Permission, RoleKey } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';

export interface Person {
  readonly id: number;
  readonly name: string;
  readonly email: string;
  readonly hasPassword: boolean;
  readonly mayAddCompanies: boolean;
  /** Looks after the installation: its messages and jobs, and who cannot get in. */
  readonly keepsInstallation: boolean;
  /** One that counts is asked for with the password. */
  readonly hasSecondFactor: boolean;
}

export interface Member {
  readonly personId: number;
  readonly name: string;
  readonly email: string;
  readonly role: RoleKey;
  readonly version: number;
  readonly hasPassword: boolean;
  readonly mayAddCompanies: boolean;
  readonly hasSecondFactor: boolean;
  /** UTC, as DATETIME text. */
  readonly lastSignIn: string | null;
}

export interface OneTimeLink {
  /** `null`: for the first administrator, who names themselves. */
  readonly person: Person | null;
  /** `revoked`: something that it was made upon has changed. */
  readonly state: 'open' | 'used' | 'expired' | 'revoked';
}

export interface LinkTerms {
  /** Whose right to make it is looked at again when it is used; `null` where the person asked for it, or the installation did. */
  readonly madeBy: number | null;
  readonly minutes: number;
}

export interface PeopleStore {
  person(personId: number): Promise<Person | null>;
  /** `null` where the person has no role in the company, or there is no such person or company. */
  roleIn(personId: number, companyId: number): Promise<RoleKey | null>;
  byEmail(email: string): Promise<(Person & { readonly passwordHash: string | null }) | null>;
  /** Whether there is somebody of this address who can sign in, or once could, or has a right or a role: only their own password, or a letter, opens that. */
  hasAccount(email: string): Promise<boolean>;
  passwordHash(personId: number): Promise<string | null>;
  noteSignIn(personId: number): Promise<void>;
  /** Ends every session of the person. */
  setPassword(personId: number, passwordHash: string): Promise<void>;
  /** Whether anybody can sign in with a password and add companies. */
  hasAdministrator(): Promise<boolean>;
  members(companyId: number): Promise<Member[]>;
  /** Of the demo. A person who is not known yet is made, without a password. */
  addMember(companyId: number, input: { name: string; email: string; role: RoleKey }, actor: Actor): Promise<Outcome<Person, Failure>>;
  changeRole(companyId: number, personId: number, role: RoleKey, version: number, actor: Actor): Promise<Outcome<null, Failure>>;
  /** On record in the company whose administrator did it. */
  setMayAddCompanies(companyId: number, person: Member, may: boolean, actor: Actor): Promise<Outcome<void, Failure>>;
  removeMember(companyId: number, personId: number, version: number, actor: Actor): Promise<Outcome<null, Failure>>;
  /** Whether the other may set everything about the person: is administrator of each company the person belongs to. */
  isInHandsOf(personId: number, administratorId: number): Promise<boolean>;
  /** Takes the place of the earlier ones that the same person made for them; what they asked for themselves stands beside. */
  makeLink(personId: number | null, tokenHash: Buffer, terms: LinkTerms): Promise<void>;
  link(tokenHash: Buffer): Promise<OneTimeLink | null>;
  /** Once only; the first administrator is made here, and becomes one of every company there is. */
  useLink(tokenHash: Buffer, passwordHash: string, first: { name: string; email: string } | null): Promise<Outcome<Person, Failure>>;
  /** Somebody without a password whom the demo lets in; the same one each time. */
  ensureDemoPerson(email: string, name: string, mayAddCompanies: boolean, keepsInstallation: boolean): Promise<Person>;
}

/** What somebody is in a company. */
export interface Membership {
  readonly role: RoleKey;
  readonly permissions: readonly Permission[];
}

/** Somebody signed in, with what they are by company at this moment. */
export interface Identity {
  readonly person: Person;
  readonly memberships: Readonly<Record<number, Membership>>;
  /** The installation asks for a second factor, and the person has none: nothing else is open to them until they have. */
  readonly lacksSecondFactor: boolean;
}

/** Sessions, by the SHA-256 of their id. */
export interface SessionStore {
  /** Of a session that has not ended: who it is and what they may, in one question, since every request asks it. */
  find(idHash: Buffer): Promise<{ readonly identity: Identity; readonly expiresAt: Date } | null>;
  keep(idHash: Buffer, personId: number, expiresAt: Date, from: { readonly device: string; readonly origin: string }): Promise<void>;
  end(idHash: Buffer): Promise<void>;
  endAllOf(personId: number): Promise<void>;
  /** Those that have not ended, latest first. */
  listOf(personId: number): Promise<SessionRecord[]>;
  /** One of the person's own, by what it is told apart by; whether there was one. */
  endOne(personId: number, mark: string): Promise<boolean>;
}

export interface SessionRecord {
  /** The beginning of the hash of its id: opens nothing. */
  readonly mark: string;
  /** What the browser calls itself. */
  readonly device: string;
  readonly origin: string;
  /** UTC, as DATETIME text. */
  readonly startedAt: string;
  readonly lastSeen: string | null;
}

export interface Secrets {
  hashPassword(password: string): Promise<string>;
  /**
   * Tries of one origin are a lane: they wait for each other, and nobody for them; `null`: a browser that is known, which waits for none of these.
   * `null` as the answer: too many are in the lane already, and nothing was done.
   */
  withinLane<Value>(lane: string | null, task: () => Promise<Value>): Promise<Value | null>;
  /** Takes as long where there is no hash, so that nobody can tell who is known here. */
  matchesPassword(password: string, hash: string | null, lane: string | null): Promise<boolean>;
  /** Whether it is among those that everybody tries first. */
  isCommonPassword(password: string): boolean;
  /** 256 random bits, as text for an address. */
  newToken(): string;
  hashToken(token: string): Buffer;
}
