import type { CompanyList, JournalLook } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { joinCompany } from '../support/joinCompany.ts';
import { openLayoutShop } from '../support/layoutShop.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

/** Rows of a company in every table that has any. */
async function rowsLeft(companyId: number): Promise<Record<string, number>> {
  const { database } = server.serving;
  const tables = (await database.query(
    "SELECT TABLE_NAME AS name FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND COLUMN_NAME = 'company_id'",
  )) as { name: string }[];
  const left: Record<string, number> = {};
  for (const { name } of tables) {
    const [row] = (await database.query(`SELECT COUNT(*) AS count FROM \`${name}\` WHERE company_id = ?`, [companyId])) as { count: string }[];
    if (Number(row?.count) > 0) left[name] = Number(row?.count);
  }
  const [own] = (await database.query('SELECT COUNT(*) AS count FROM company WHERE id = ?', [companyId])) as { count: string }[];
  return Number(own?.count) > 0 ? { ...left, company: 1 } : left;
}

/** A file of two lines that was read, but that nobody posted. */
async function stageFile(path: string): Promise<number> {
  const content = new TextEncoder().encode('Date;Document;Account;Debit;Credit\n30.09.2026;17;1000;50,00;\n30.09.2026;17;4000;;50,00');
  const { reading, separator, encoding } = await server.ok<JournalLook>('POST', `${path}/journal-looks`, content);
  const begun = { name: 'journal.csv', bytes: content.length, separator, encoding, reading };
  const { id } = await server.ok<{ id: number }>('POST', `${path}/journal-imports`, begun);
  await server.ok('POST', `${path}/journal-imports/${id}/content`, content);
  return id;
}

/** Lines and entries of a file, which know their import alone. */
async function stagedOf(importId: number): Promise<number> {
  const rows = 'SELECT import_id FROM staged_line UNION ALL SELECT import_id FROM staged_entry';
  const [row] = (await server.serving.database.query(`SELECT COUNT(*) AS count FROM (${rows}) AS staged WHERE import_id = ?`, [importId])) as {
    count: string;
  }[];
  return Number(row?.count);
}

describe('a company that is removed', () => {
  it('goes by its name alone, with every row in every table, and leaves others as they were', async () => {
    const gone = await openLayoutShop(server);
    const stays = await openShop(server);
    await gone.use(await gone.begin('Own', 'balance_sheet'));
    await server.ok('POST', `${gone.path}/rehearsals`, { draft: { places: [], categories: [] } });
    const [file, other] = [await stageFile(gone.path), await stageFile(stays.path)];
    expect(await stagedOf(file)).toBe(3);
    const before = [await rowsLeft(stays.id), await stays.totals()];
    expect(Object.keys(await rowsLeft(gone.id)).length).toBeGreaterThan(15);
    expect(await server.refused('POST', `${gone.path}/removal`, { name: 'test company' })).toMatchObject({ code: 'company_name_differs' });
    expect((await server.call('GET', gone.path)).status).toBe(200);
    expect((await server.call('POST', `${gone.path}/removal`, { name: 'Test company' })).status).toBe(204);
    // Nobody finds it from that moment on.
    expect((await server.call('GET', gone.path)).status).toBe(404);
    expect((await server.call('POST', `${gone.path}/removal`, { name: 'Test company' })).status).toBe(404);
    expect((await server.ok<CompanyList>('GET', '/companies')).companies.map(({ id }) => id)).not.toContain(gone.id);
    await expect.poll(() => rowsLeft(gone.id)).toEqual({});
    expect([await rowsLeft(stays.id), await stays.totals()]).toEqual(before);
    expect([await stagedOf(file), await stagedOf(other)]).toEqual([0, 3]);
  });

  it('is an administrator’s to remove', async () => {
    const shop = await openShop(server);
    const { client: keeper } = await joinCompany(server, shop.id, { email: 'keeper@example.org', role: 'preparer' });
    expect(await keeper.refused('POST', `${shop.path}/removal`, { name: 'Test company' })).toMatchObject({ status: 403, code: 'permission_needed' });
    expect((await server.call('GET', shop.path)).status).toBe(200);
  });

  it('takes no entry that was on its way: each is there whole before, or refused', async () => {
    const shop = await openShop(server);
    const [bank, sales] = [(await shop.find('1000')).id, (await shop.find('4000')).id];
    const entry = (at: number) => ({
      date: '2026-09-30',
      description: `Sale ${at}`,
      lines: [
        { accountId: bank, debit: '100', credit: '0' },
        { accountId: sales, debit: '0', credit: '100' },
      ],
    });
    const posting = Array.from({ length: 12 }, (_, at) => server.call('POST', `${shop.path}/entries`, entry(at)));
    const removed = server.call('POST', `${shop.path}/removal`, { name: 'Test company' });
    const answers = await Promise.all(posting);
    expect((await removed).status).toBe(204);
    expect(answers.filter(({ status }) => status !== 201 && status !== 404 && status !== 409 && status !== 503)).toEqual([]);
    await expect.poll(() => rowsLeft(shop.id)).toEqual({});
  });
});
