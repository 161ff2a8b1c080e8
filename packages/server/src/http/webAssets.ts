import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { contentSecurityPolicy } from './guards.ts';

/** The built web application: immutable assets, packed when they were built, and a page with a nonce of its own each time. */
export function webAssets(folder: string): Router {
  const router = Router();
  const page = join(folder, 'index.html');
  if (!existsSync(page)) return router;
  const html = readFileSync(page, 'utf8');
  // An asset that a new build has taken away is answered as missing; nothing of it may end the server.
  const assets = expressStaticGzip(join(folder, 'assets'), {
    index: false,
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    serveStatic: { immutable: true, maxAge: '1y', redirect: false },
  });
  router.use('/assets', assets, (_request, response) => void response.status(404).end());
  router.get('/favicon.svg', (_request, response) => response.sendFile(join(folder, 'favicon.svg')));
  router.get('/{*path}', (request, response) => {
    const nonce = randomBytes(16).toString('base64');
    response.setHeader('Content-Security-Policy', contentSecurityPolicy(nonce));
    response.setHeader('Cache-Control', 'no-store');
    response.type('html').send(html.replaceAll('__NONCE__', nonce).replace('<!--preload-->', firstRequest(request.path)));
  });
  return router;
}

/** What the page of a company asks for first is fetched beside its scripts. */
function firstRequest(path: string): string {
  const [, companyId] = /^\/companies\/(\d{1,15})(?:\/|$)/.exec(path) ?? [];
  return companyId === undefined ? '' : `<link rel="preload" as="fetch" crossorigin href="/api/companies/${companyId}" />`;
}
