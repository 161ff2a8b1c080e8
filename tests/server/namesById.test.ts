import type { AccountBody, BudgetList, ColumnPlanList, Company, LayoutDetail, PlacementRehearsal } from '@ivory-ladder/contract';
import { usualPlans } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openFullCompany } from '../support/fullCompany.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const rowsOf = async <Row>(sql: string, parameters: unknown[] = []) => (await server.serving.database.query(sql, parameters)) as Row[];

/** Columns that name who did something in a company, with the column of the id beside each. */
async function namingColumns() {
  const columns = await rowsOf<{ table: string; name: string }>(
    `SELECT TABLE_NAME AS \`table\`, COLUMN_NAME AS name FROM information_schema.COLUMNS AS named
      WHERE TABLE_SCHEMA = DATABASE() AND DATA_TYPE = 'varchar' AND (COLUMN_NAME LIKE '%\\_by' OR COLUMN_NAME = 'actor')
        AND EXISTS (SELECT 1 FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = named.TABLE_NAME AND COLUMN_NAME = 'company_id')`,
  );
  // What entries are found by is made from the entry, which has the id.
  return columns.filter(({ table }) => table !== 'entry_search').map((column) => ({ ...column, id: `${column.name}_id` }));
}

describe('who did something', () => {
  it('stands by id beside the name, in every table that names somebody', async () => {
    const { id, path, ids } = await openFullCompany(server);
    const post = <Body>(rest: string, body?: unknown) => server.ok<Body>('POST', `${path}/${rest}`, body);
    await post(`accounts/${ids.accountId}/notes`, { content: 'Looked at' });
    const { budgets } = await server.ok<BudgetList>('GET', `${path}/budgets`);
    await post(`budgets/${ids.budgetId}/lock`, { version: budgets[0]?.version, reason: 'Settled' });
    await post('period-locks', { year: 2026, number: 1, reason: 'Filed' });
    const { plans } = await server.ok<ColumnPlanList>('GET', `${path}/column-plans`);
    const again = { name: 'Months again', definition: usualPlans[1]?.definition, version: plans[0]?.version };
    await server.ok('PUT', `${path}/column-plans/${plans[0]?.id}`, again);
    await server.ok('PUT', `${path}/coverage-exclusions`, {
      scope: `classification:${ids.classificationId}`,
      accountIds: [ids.accountId],
      reason: 'Elsewhere',
    });
    const comment = { partKey: 'sheet', lineKey: 'asset', day: '2026-09-30', text: 'Seen', version: 0 };
    await server.ok('PUT', `${path}/sets/${ids.setId}/comments`, comment);
    await post(`trial-balances/${ids.trialBalanceId}/taking-back`);
    const { client } = await joinCompany(server, id, { name: 'Offers', email: 'offers@example.org', role: 'preparer' });
    const mine = await client.ok<PlacementRehearsal>('POST', `${path}/rehearsals`, { draft: { places: [], categories: [] } });
    const offer = { version: mine.version, name: 'Offered', state: 'offered' };
    const offered = await client.ok<PlacementRehearsal>('PATCH', `${path}/rehearsals/${mine.id}`, offer);
    await server.ok('PATCH', `${path}/rehearsals/${mine.id}`, { version: offered.version, word: 'Not yet' });
    const layout = await server.ok<LayoutDetail>('GET', `${path}/layouts/${ids.layoutId}`);
    const used =
      layout.inUse === null ? await server.ok<LayoutDetail>('POST', `${path}/layouts/${ids.layoutId}/use`, { version: layout.version, reason: '' }) : layout;
    const drafted = { version: used.version, definition: used.definition, base: used.definition };
    const kept = await server.ok<LayoutDetail>('PUT', `${path}/layouts/${ids.layoutId}/draft`, drafted);
    await server.ok('PUT', `${path}/layouts/${ids.layoutId}/draft`, { version: kept.version, definition: null, base: kept.definition });
    const named = await namingColumns();
    expect(named.length).toBeGreaterThan(15);
    const empty: string[] = [];
    for (const { table, name, id: column } of named) {
      const [{ told, known }] = (await rowsOf<{ told: number | string; known: number | string }>(
        `SELECT COUNT(*) AS told, COUNT(${column}) AS known FROM ${table} WHERE ${name} <> ''`,
      )) as [{ told: number | string; known: number | string }];
      expect([table, name, Number(known)]).toEqual([table, name, Number(told)]);
      if (Number(told) === 0) empty.push(`${table}.${name}`);
    }
    expect(empty).toEqual([]);
  });

  it('is told by name from before ids were kept, where nobody else of the installation is called so and they work in the company', async () => {
    const { id, path } = await openFullCompany(server);
    const other = await server.ok<Company>('POST', '/companies', { name: 'Elsewhere', currency: 'EUR', fiscalYearFirstMonth: 1 });
    const members = [
      await joinCompany(server, id, { name: 'Only One', email: 'only@example.org', role: 'preparer' }),
      await joinCompany(server, id, { name: 'Twin', email: 'twin.a@example.org', role: 'preparer' }),
      await joinCompany(server, other.id, { name: 'Twin', email: 'twin.b@example.org', role: 'preparer' }),
      await joinCompany(server, id, { name: 'Gone', email: 'gone@example.org', role: 'preparer' }),
    ] as const;
    const account = await server.ok<AccountBody>('POST', `${path}/accounts`, { number: '1950', name: 'Noted', element: 'asset' });
    for (const { client } of [members[0], members[1], members[3]]) await client.ok('POST', `${path}/accounts/${account.id}/notes`, { content: 'Looked at' });
    const { people } = await server.ok<{ people: { personId: number; version: number }[] }>('GET', `${path}/people`);
    const gone = people.find(({ personId }) => personId === members[3].personId);
    await server.ok('DELETE', `${path}/people/${gone?.personId}?version=${gone?.version}`);
    const notes = () =>
      rowsOf<{ name: string; id: number | null }>('SELECT written_by AS name, written_by_id AS id FROM account_note WHERE account_id = ? ORDER BY written_at', [
        account.id,
      ]);
    const before = await notes();
    await server.serving.database.query('UPDATE account_note SET written_by_id = NULL');
    await server.serving.database.query('UPDATE journal_entry SET posted_by_id = NULL');
    await server.serving.database.query("DELETE FROM migration WHERE name = 'NamePeopleById1790000000111'");
    await server.serving.database.runMigrations();
    expect(before.map((note) => note.id)).toEqual([members[0].personId, members[1].personId, members[3].personId]);
    expect((await notes()).map((note) => [note.name, note.id])).toEqual([
      ['Only One', members[0].personId],
      ['Twin', null],
      ['Gone', null],
    ]);
    expect(await rowsOf('SELECT id FROM journal_entry WHERE company_id = ? AND posted_by_id IS NULL', [id])).toEqual([]);
  });
});
