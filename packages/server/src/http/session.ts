import { randomBytes } from 'node:crypto';
import type { Request, RequestHandler } from 'express';
import session, { type SessionData, Store } from 'express-session';
import type { Identity, Person, Ports, Secrets } from '../application/ports/index.ts';
import { originOf } from './origin.ts';

declare module 'express-session' {
  interface SessionData {
    /** Whose it is; set when it begins. */
    personId?: number;
    /** Of the browser and where it is; set when it begins. */
    device?: string;
    origin?: string;
    /** Read with the session; never written. */
    identity?: Identity;
  }
}

/** A working day; then one signs in anew (OWASP ASVS 3.3.2). */
const hoursSignedIn = 12;
const cookieName = 'ivory_ladder_session';

export interface SessionOptions {
  readonly secret: string;
  /** Behind a proxy that speaks TLS to the world. */
  readonly isBehindTls: boolean;
}

/** The cookie's way to a row in the database; nothing is kept for those who have not signed in. */
export function readSession(ports: Pick<Ports, 'sessions' | 'secrets'>, { secret, isBehindTls }: SessionOptions): RequestHandler {
  return session({
    name: cookieName,
    secret,
    store: new RowStore(ports),
    genid: () => randomBytes(32).toString('base64url'),
    resave: false,
    saveUninitialized: false,
    // A session that could not be read is not there for the request, and must not end because of that: what ends one says so (`leave`).
    unset: 'keep',
    cookie: { httpOnly: true, sameSite: 'lax', secure: isBehindTls, path: '/', maxAge: hoursSignedIn * 3_600_000 },
  });
}

/** A new session id with each sign-in, so that one set by somebody else beforehand opens nothing. */
export async function enterAs(request: Request, person: Person): Promise<void> {
  await new Promise<void>((resolve, reject) => request.session.regenerate((error) => (error ? reject(error) : resolve())));
  request.session.personId = person.id;
  request.session.device = request.headers['user-agent'] ?? '';
  request.session.origin = originOf(request);
  await new Promise<void>((resolve, reject) => request.session.save((error) => (error ? reject(error) : resolve())));
}

/** Tells the session of a request apart from others of the person. */
export function markOf(request: Request, { hashToken }: Pick<Secrets, 'hashToken'>): string {
  return hashToken(request.sessionID).toString('hex').slice(0, 16);
}

export async function leave(request: Request): Promise<void> {
  await new Promise<void>((resolve, reject) => request.session.destroy((error) => (error ? reject(error) : resolve())));
}

/** With every request the session is written as text to see whether something in it changed; permissions in twenty companies would be the most of it. */
function unwritten(identity: Identity): Identity {
  return Object.defineProperty({ ...identity }, 'toJSON', { value: () => identity.person.id });
}

class RowStore extends Store {
  constructor(private readonly ports: Pick<Ports, 'sessions' | 'secrets'>) {
    super();
  }

  override get(id: string, done: (error: unknown, data?: SessionData | null) => void): void {
    this.ports.sessions.find(this.ports.secrets.hashToken(id)).then((found) => {
      if (!found) return done(null, null);
      const { identity, expiresAt } = found;
      done(null, {
        personId: identity.person.id,
        identity: unwritten(identity),
        cookie: { originalMaxAge: expiresAt.getTime() - Date.now(), expires: expiresAt, httpOnly: true, sameSite: 'lax', path: '/' },
      });
    }, done);
  }

  override set(id: string, { personId, device = '', origin = '', cookie }: SessionData, done: (error?: unknown) => void = () => undefined): void {
    const expiresAt = new Date(cookie.expires ?? Date.now() + hoursSignedIn * 3_600_000);
    const kept =
      personId === undefined ? Promise.resolve() : this.ports.sessions.keep(this.ports.secrets.hashToken(id), personId, expiresAt, { device, origin });
    kept.then(() => done(), done);
  }

  override destroy(id: string, done: (error?: unknown) => void = () => undefined): void {
    this.ports.sessions.end(this.ports.secrets.hashToken(id)).then(() => done(), done);
  }
}
