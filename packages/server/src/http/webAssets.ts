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
    response
      .type('html')
      .send(
        html.replaceAll('__NONCE__', nonce).replace('<!--preload-->', firstRequests(request.path, new URL(request.originalUrl, 'http://page').searchParams)),
      );
  });
  return router;
}

/** Screens over the placement, and what they ask for with it at an address that names its span: `{span}` is that, `{layoutId}` is of the address. */
const firstOfScreens: readonly (readonly [screen: RegExp, asked: readonly string[]])[] = [
  [/^layouts\/(?<layoutId>\d{1,15})$/, ['layouts/{layoutId}', 'placement?{span}']],
  [/^ledger\/chart$/, ['chart?{span}', 'placement?{span}']],
  [/^placement(?:\/record)?$/, ['placement?{span}']],
  [/^placement\/coverage$/, ['placement?{span}', 'proofs?{span}']],
];

/** What stands in an address and asks for other figures than its span does. */
const othersFigures = ['compare', 'compareFrom', 'compareTo', 'adjusting', 'classification'];
const day = /^\d{4}-\d{2}-\d{2}$/;

/** What the page of a company asks for first is fetched beside its scripts; word for word, or the page would ask for it once more. */
function firstRequests(path: string, params: URLSearchParams): string {
  const [, companyId, screen = ''] = /^\/companies\/(\d{1,15})(?:\/(.*?)\/?)?$/.exec(path) ?? [];
  if (companyId === undefined) return '';
  const [from, to] = [params.get('from') ?? '', params.get('to') ?? ''];
  const isPlain = day.test(from) && day.test(to) && from <= to && !othersFigures.some((name) => params.has(name));
  const asked = isPlain ? firstOf(screen, `from=${from}&to=${to}&compare=usual`) : [];
  return ['', ...asked.map((one) => `/${one}`)]
    .map((rest) => `<link rel="preload" as="fetch" crossorigin href="/api/companies/${companyId}${rest}" />`.replaceAll('&', '&amp;'))
    .join('');
}

function firstOf(screen: string, span: string): readonly string[] {
  for (const [pattern, asked] of firstOfScreens) {
    const match = pattern.exec(screen);
    if (match) return asked.map((one) => one.replace('{span}', span).replace('{layoutId}', match.groups?.layoutId ?? ''));
  }
  return [];
}
