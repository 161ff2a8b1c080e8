import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Router } from 'express';
import sirv from 'sirv';
import { contentSecurityPolicy } from './guards.ts';

/** The built web application: immutable assets, packed when they were built, and a page with a nonce of its own each time. */
export function webAssets(folder: string): Router {
  const router = Router();
  const page = join(folder, 'index.html');
  if (!existsSync(page)) return router;
  const html = readFileSync(page, 'utf8');
  const assets = sirv(join(folder, 'assets'), { immutable: true, maxAge: 31_536_000, brotli: true, gzip: true, etag: true });
  router.use('/assets', (request, response) => assets(request, response, () => void response.status(404).end()));
  router.get('/favicon.svg', (_request, response) => response.sendFile(join(folder, 'favicon.svg')));
  router.get('/{*path}', (_request, response) => {
    const nonce = randomBytes(16).toString('base64');
    response.setHeader('Content-Security-Policy', contentSecurityPolicy(nonce));
    response.setHeader('Cache-Control', 'no-store');
    response.type('html').send(html.replaceAll('__NONCE__', nonce));
  });
  return router;
}
