import { type Company, type Operation, operations } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ApiClient } from '../support/apiClient.ts';
import { openFullCompany } from '../support/fullCompany.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let stranger: ApiClient;
let own: number;
/** Of a company that the stranger does not belong to, by the name of the parameter. */
let ids: Record<string, number | string>;

beforeAll(async () => {
  server = await TestServer.shared();
  ({ id: own } = await server.ok<Company>('POST', '/companies', { name: 'Own', currency: 'EUR', fiscalYearFirstMonth: 1 }));
  ({ client: stranger } = await joinCompany(server, own, { name: 'Stranger', email: 'stranger@example.org', role: 'administrator' }));
  ({ ids } = await openFullCompany(server));
});
afterAll(() => server.stop());

/** Of a thing in a company, and asked for without a body: with one, a refusal of the body would say nothing. */
const asked = Object.entries(operations as Record<string, Operation>).filter(
  ([, { path, body, takesFile, takesStream }]) => /\{companyId\}.*\{\w+Id\}/.test(path) && !body && !takesFile && !takesStream,
);

describe('ids of another company, in the place of one’s own', () => {
  it('are all there', () => {
    expect(Object.entries(ids).filter(([, id]) => id === 0 || id === undefined)).toEqual([]);
    expect(asked.length).toBeGreaterThan(30);
  });

  it.each(asked.map(([name]) => name))('%s is as of a thing that is not there', async (name) => {
    const { method, path } = (operations as Record<string, Operation>)[name] as Operation;
    const query = new URLSearchParams({
      name: 'x.csv',
      version: '1',
      from: '2026-01-01',
      to: '2026-09-30',
      format: 'csv',
      kind: 'csv',
      after: '',
      date: '2026-09-30',
    });
    const ask = (idOf: (parameter: string) => number | string | undefined) => {
      const address = path.replace('{companyId}', String(own)).replaceAll(/\{(\w+)\}/g, (_, parameter: string) => String(idOf(parameter)));
      return stranger.call<{ code?: string }>(method.toUpperCase(), `${address}?${query}`);
    };
    const theirs = await ask((parameter) => ids[parameter]);
    const nobodys = await ask((parameter) => (/Id$/.test(parameter) ? 99_999_999 : ids[parameter]));
    expect([name, theirs.status, theirs.body?.code]).toEqual([name, nobodys.status, nobodys.body?.code]);
    // A list of what is of it is empty then.
    if (theirs.status < 300) expect([name, theirs.body, Object.values(theirs.body).flat()]).toEqual([name, nobodys.body, []]);
    else expect([404, 422]).toContain(theirs.status);
  });
});
