import type { LayoutDetail, OwnLayoutBody, OwnLineBody, StatementBody } from '@ivory-ladder/contract';
import type { TestServer } from './server.ts';
import { openShop } from './shop.ts';

const span = 'from=2026-01-01&to=2026-09-30';
type From = 'balance_sheet' | 'income_statement' | 'trial_balance' | 'nothing' | number;

/** A shop, and what is done with composed layouts over it. */
export async function openLayoutShop(server: TestServer) {
  const shop = await openShop(server);
  const path = `${shop.path}/layouts`;
  const begin = (name: string, from: From) => server.ok<LayoutDetail>('POST', path, { name, from });
  const save = (layout: Pick<LayoutDetail, 'id' | 'version'>, definition: OwnLayoutBody | null) =>
    server.ok<LayoutDetail>('PUT', `${path}/${layout.id}/draft`, { version: layout.version, definition });
  const use = (layout: Pick<LayoutDetail, 'id' | 'version'>, reason = '') =>
    server.ok<LayoutDetail>('POST', `${path}/${layout.id}/use`, { version: layout.version, reason });
  const run = (id: number, more = '', over = span) => server.ok<StatementBody>('GET', `${shop.path}/statements/layout-${id}?${over}${more}`);
  return { ...shop, layouts: path, begin, save, use, run };
}

/** As a body that is sent. */
export const line = (made: unknown): OwnLineBody => made as OwnLineBody;
