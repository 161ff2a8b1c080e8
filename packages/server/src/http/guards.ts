import type { RequestHandler } from 'express';
import { sendProblem } from './problems.ts';

const secondsOfYear = 365 * 24 * 3600;
const changing = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

/** The Host must be one that the server listens as, which stops a foreign name that resolves to this machine. */
export function guardHost(hosts: readonly string[]): RequestHandler {
  const names = new Set(hosts.map((host) => host.toLowerCase()));
  return (request, response, next) => (names.has((request.headers.host ?? '').toLowerCase()) ? next() : sendProblem(response, { code: 'host_refused' }));
}

/** Every changing request comes from the same origin and bears our header, which no form of another site can send. */
export function guardOrigin(hosts: readonly string[]): RequestHandler {
  const origins = new Set(hosts.flatMap((host) => [`http://${host}`, `https://${host}`]));
  return (request, response, next) => {
    if (!changing.has(request.method)) return next();
    const { origin } = request.headers;
    const isSame = origin !== undefined && origins.has(origin) && origin.endsWith(`//${request.headers.host}`);
    if (!isSame) return sendProblem(response, { code: 'origin_refused' });
    if (request.headers['x-ivory-ladder'] !== '1') return sendProblem(response, { code: 'header_missing', header: 'X-Ivory-Ladder' });
    next();
  };
}

/** Headers of every answer; the policy of the page itself bears its nonce and is set with it. Behind TLS a browser asks by TLS alone from then on. */
export const secureHeaders =
  (isBehindTls: boolean): RequestHandler =>
  (_request, response, next) => {
    if (isBehindTls) response.setHeader('Strict-Transport-Security', `max-age=${secondsOfYear}`);
    response.setHeader('X-Content-Type-Options', 'nosniff');
    response.setHeader('Referrer-Policy', 'same-origin');
    response.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
    // With the one above the page is isolated, so that it can share memory with its workers. Nothing is embedded from elsewhere.
    response.setHeader('Cross-Origin-Embedder-Policy', 'require-corp');
    response.setHeader('Cross-Origin-Resource-Policy', 'same-origin');
    response.setHeader('X-Frame-Options', 'DENY');
    next();
  };

export function contentSecurityPolicy(nonce: string): string {
  return [
    "default-src 'self'",
    "script-src 'self'",
    `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' blob:",
    "worker-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
    "form-action 'self'",
  ].join('; ');
}
