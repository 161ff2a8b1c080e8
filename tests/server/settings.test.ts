import type { Company, History } from '@ivory-ladder/contract';
import { sortByNumber } from '@ivory-ladder/core';
import fc from 'fast-check';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const blocks = {
  parts: [2, 3, 2].map((length) => ({ kind: 'digits', shortest: length, longest: length })),
  separator: '-',
  leastParts: 2,
};

async function open() {
  const books = await openShop(server);
  const get = () => server.ok<Company>('GET', books.path);
  const set = async (fields: object) => server.ok<Company>('PATCH', books.path, { version: (await get()).settingsVersion, ...fields });
  const refused = async (fields: object) => server.refused('PATCH', books.path, { version: (await get()).settingsVersion, ...fields });
  return { ...books, get, set, refused };
}

describe('settings of a company', () => {
  it('are changed by version, and told in history with before and after', async () => {
    const books = await open();
    expect(await books.set({ name: 'Shop on the quay' })).toMatchObject({ name: 'Shop on the quay', settingsVersion: 1 });
    expect(await server.refused('PATCH', books.path, { version: 0, name: 'Too late' })).toMatchObject({
      status: 409,
      code: 'version_conflict',
      facts: { current: { name: 'Shop on the quay' } },
    });
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=company`);
    expect(events[0]).toMatchObject({ action: 'changed', before: { name: 'Test company' }, after: { name: 'Shop on the quay' } });
  });

  it('currency and first month are held once there are entries and years, and free before', async () => {
    const books = await open();
    expect(await books.refused({ currency: 'NOK' })).toMatchObject({ status: 409, code: 'setting_held', facts: { setting: 'currency', by: 'entries' } });
    expect(await books.refused({ fiscalYearFirstMonth: 4 })).toMatchObject({ code: 'setting_held', facts: { by: 'years' } });
    const empty = await server.ok<Company>('POST', '/companies', { name: 'Empty', currency: 'EUR', fiscalYearFirstMonth: 1 });
    const changed = await server.ok<Company>('PATCH', `/companies/${empty.id}`, { version: 0, currency: 'JPY', fiscalYearFirstMonth: 4 });
    expect(changed).toMatchObject({ currency: 'JPY', exponent: 0, fiscalYearFirstMonth: 4 });
    expect(await server.refused('PATCH', `/companies/${empty.id}`, { version: 1, currency: 'XXX' })).toMatchObject({ code: 'currency_unknown' });
  });

  it.each([
    { parts: [], separator: '-', leastParts: 1 },
    { ...blocks, leastParts: 4 },
    { parts: [{ kind: 'digits', shortest: 3, longest: 2 }], separator: '-', leastParts: 1 },
    {
      parts: [
        { kind: 'digits', shortest: 1, longest: 2 },
        { kind: 'digits', shortest: 2, longest: 2 },
      ],
      separator: '',
      leastParts: 1,
    },
  ])('a scheme that says nothing sensible is refused: %j', async (numberScheme) => {
    expect(await (await open()).refused({ numberScheme })).toMatchObject({ status: 400, code: 'request_invalid' });
  });
});

describe('the number scheme', () => {
  it('brings what is typed to its form, and refuses what has another', async () => {
    const books = await open();
    await books.set({ numberScheme: blocks });
    expect(await books.add({ number: '62 10 1' })).toMatchObject({ number: '62-010-01' });
    expect(await books.add({ number: '62.020' })).toMatchObject({ number: '62-020' });
    expect(await books.addRefused({ number: '62x20' })).toMatchObject({ code: 'account_number_malformed', facts: { part: 2 } });
    expect(await books.addRefused({ number: '62' })).toMatchObject({ code: 'account_number_malformed', facts: { part: null } });
    expect(await books.addRefused({ number: '6201001' })).toMatchObject({ code: 'account_number_taken', facts: { number: '62-010-01' } });
    expect(await books.change('62-020', { number: '6203002' })).toMatchObject({ number: '62-030-02' });
    // What was numbered before stays, until it is renumbered.
    expect(await books.change('6200', { name: 'Insurances' })).toMatchObject({ number: '6200' });
    const { id: accountId, version } = await books.find('6200');
    await server.ok('POST', `${books.path}/renumbering`, { changes: [{ accountId, version, number: '62 1 1' }] });
    expect((await books.find('62-001-01')).id).toBe(accountId);
  });

  it('a repeated name is refused where the company forbids it, and a name that stands already is not judged', async () => {
    const books = await open();
    await books.add({ number: '6210', name: 'Travel' });
    await books.set({ repeatedNames: 'forbidden' });
    expect(await books.addRefused({ number: '6220', name: 'insurance' })).toMatchObject({ status: 409, code: 'account_name_taken', facts: { number: '6200' } });
    expect(await books.change('6210', { purpose: 'By ship' })).toMatchObject({ purpose: 'By ship' });
    expect(await books.changeRefused('6210', { name: 'Insurance' })).toMatchObject({ code: 'account_name_taken' });
  });
});

describe('the order of numbers', () => {
  it('is the same in SQL as in the core, as the company sets it, and follows when that changes', async () => {
    const books = await open();
    const part = fc.oneof(
      fc.integer({ min: 0, max: 2000 }).map(String),
      fc.stringMatching(/^[A-Za-z]{1,2}$/),
      fc.constantFrom('07', '007', '10', '101', '1013', '106', '11'),
    );
    const number = fc.tuple(fc.array(part, { minLength: 1, maxLength: 3 }), fc.constantFrom('.', '-', ' ')).map(([parts, separator]) => parts.join(separator));
    const sample = [...new Map(fc.sample(number, { numRuns: 120, seed: 504 }).map((text) => [text.toLowerCase(), text])).values()].slice(0, 60);
    for (const text of sample) await books.add({ number: `Z${text}`, element: 'expense' });
    const connection = await mysql.createConnection(server.databaseUrl);
    for (const digitOrder of ['by_value', 'digit_by_digit'] as const) {
      await books.set({ digitOrder });
      const [rows] = (await connection.query('SELECT number FROM account WHERE company_id = ? ORDER BY number_key', [books.id])) as unknown as [
        { number: string }[],
      ];
      expect(rows.length).toBe(sample.length + 7);
      expect(rows.map((row) => row.number)).toEqual(sortByNumber(rows, digitOrder).map((row) => row.number));
    }
    await connection.end();
  });

  it('a national chart typed from top to bottom stands as published, digit by digit (plan comptable général; from memory)', async () => {
    const { id } = await server.ok<Company>('POST', '/companies', { name: 'Plan', currency: 'EUR', fiscalYearFirstMonth: 1 });
    await server.ok('PATCH', `/companies/${id}`, { version: 0, digitOrder: 'digit_by_digit' });
    const published = ['10', '101', '1013', '106', '11', '28', '401', '411', '4455', '512', '53', '601'];
    for (const number of published.toSorted()) await server.ok('POST', `/companies/${id}/accounts`, { number, name: `Compte ${number}`, element: 'asset' });
    const { accounts } = await server.ok<{ accounts: { number: string }[] }>('GET', `/companies/${id}/chart?from=2026-01-01&to=2026-12-31`);
    expect(accounts.map((account) => account.number)).toEqual(published);
  });
});
