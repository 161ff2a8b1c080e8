import { parse } from 'cookie';
import type { Request } from 'express';

const name = 'ivory_ladder_browser';
const millisecondsKept = 365 * 24 * 3_600_000;

/** What the browser kept from an earlier sign-in; it opens nothing by itself. */
export function browserKept(request: Request): string | null {
  const kept = parse(request.headers.cookie ?? '')[name];
  return kept !== undefined && /^[\w-]{43}$/.test(kept) ? kept : null;
}

export function keepInBrowser(request: Request, token: string): void {
  request.res?.cookie(name, token, { httpOnly: true, sameSite: 'lax', secure: request.secure, path: '/api', maxAge: millisecondsKept });
}
