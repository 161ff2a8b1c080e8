import type { AccountLines, CodeListBody, CodeLists, EntryBody, EvidenceBody, PostedEntryBody, TrialBalanceViewBody } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const values = (...codes: string[]) => codes.map((code) => ({ code, caption: code }));

/** A shop with two facets, one of them nested, and a way to post between two accounts. */
async function open() {
  const shop = await openShop(server);
  const lists = `${shop.path}/code-lists`;
  const vessel = await server.ok<CodeListBody>('POST', lists, {
    kind: 'facet',
    name: 'Vessel',
    codes: [...values('FLEET', 'SHORE'), { code: 'TERN', caption: 'MV Tern', parent: 'FLEET' }, { code: 'GULL', caption: 'MV Gull', parent: 'FLEET' }],
  });
  const route = await server.ok<CodeListBody>('POST', lists, { kind: 'facet', name: 'Route', codes: values('NORTH', 'SOUTH') });
  const draft = async (debit: string, credit: string, amount: number, facets: Record<string, string> | undefined, date = '2026-09-15') => ({
    date,
    lines: [
      { accountId: (await shop.find(debit)).id, debit: String(amount), ...(facets ? { facets } : {}) },
      { accountId: (await shop.find(credit)).id, credit: String(amount), facets: {} },
    ],
  });
  const post = async (...made: Parameters<typeof draft>) => server.ok<PostedEntryBody>('POST', `${shop.path}/entries`, await draft(...made));
  const refused = async (...made: Parameters<typeof draft>) => (await server.refused('POST', `${shop.path}/entries`, await draft(...made))).facts;
  const edit = async (list: CodeListBody, change: object) => {
    const { version } = (await server.ok<CodeLists>('GET', lists)).lists.find(({ id }) => id === list.id) ?? list;
    return server.call<CodeListBody & { code: string; facts: object }>('PATCH', `${lists}/${list.id}`, { version, ...change });
  };
  const trialBalance = async (facets: object | null, span = 'from=2026-01-01&to=2026-09-30') => {
    const asked = facets === null ? '' : `&facets=${encodeURIComponent(JSON.stringify(facets))}`;
    const { accounts } = await server.ok<TrialBalanceViewBody>('GET', `${shop.path}/trial-balance?${span}${asked}`);
    return Object.fromEntries(accounts.filter(({ closing }) => closing !== '0').map(({ number, closing }) => [number, Number(closing)]));
  };
  return { ...shop, vessel, route, post, refused, edit, trialBalance, listsPath: lists };
}

describe('lines with facet values', () => {
  it('are counted at once under a filter, nested values within those above, those without a value by themselves', async () => {
    const books = await open();
    const [v, r] = [books.vessel.key, books.route.key];
    await books.post('6200', '1000', 700, { [v]: 'TERN', [r]: 'NORTH' });
    await books.post('6200', '1000', 200, { [v]: 'GULL' });
    await books.post('6300', '1000', 50, { [r]: 'NORTH' });
    expect(await books.trialBalance({ [v]: ['TERN'] })).toEqual({ 6200: 700 });
    expect(await books.trialBalance({ [v]: ['FLEET'] })).toEqual({ 6200: 900 });
    expect(await books.trialBalance({ [v]: ['FLEET'], [r]: ['NORTH'] })).toEqual({ 6200: 700 });
    expect(await books.trialBalance({ [r]: ['NORTH'], [v]: [''] })).toEqual({ 6300: 50 });
    const { entries } = await server.ok<{ entries: { amount: string }[] }>(
      'GET',
      `${books.path}/entries?facets=${encodeURIComponent(JSON.stringify({ [v]: ['FLEET'] }))}`,
    );
    expect(entries.map(({ amount }) => amount)).toEqual(['200', '700']);
    const all = await books.trialBalance(null);
    const without = await books.trialBalance({ [v]: [''], [r]: [''] });
    expect(all[6200]).toBe((without[6200] ?? 0) + 900);
    expect(all[1000]).toBe(without[1000]);
    // A later posting is in the next answer, also where the copy in memory is only brought up to date.
    await books.post('6200', '1000', 5, { [v]: 'TERN' });
    expect(await books.trialBalance({ [v]: ['TERN'] })).toEqual({ 6200: 705 });
  });

  it('get what their account names where nothing is said, and nothing where that is said', async () => {
    const books = await open();
    await books.change('6200', { codes: { [books.vessel.key]: 'TERN' } });
    const { entryId } = await books.post('6200', '1000', 10, undefined);
    const entry = await server.ok<EntryBody>('GET', `${books.path}/entries/${entryId}`);
    expect(entry.lines.map(({ number, facets }) => [number, facets])).toEqual([
      ['6200', { [books.vessel.key]: 'TERN' }],
      ['1000', {}],
    ]);
    await books.post('6200', '1000', 20, {});
    expect(await books.trialBalance({ [books.vessel.key]: ['TERN'] })).toEqual({ 6200: 10 });
  });

  it('are taken back with their values by a reversal', async () => {
    const books = await open();
    const { entryId } = await books.post('6200', '1000', 10, { [books.vessel.key]: 'TERN' });
    await server.ok('POST', `${books.path}/entries/${entryId}/reversal`, { date: '2026-09-20' });
    expect(await books.trialBalance({ [books.vessel.key]: ['TERN'] })).toEqual({});
  });

  it('give the statement, its evidence and the account’s lines of a filter alike, inside a period too', async () => {
    const books = await open();
    const filter = `facets=${encodeURIComponent(JSON.stringify({ [books.vessel.key]: ['FLEET'] }))}`;
    await books.post('6200', '1000', 700, { [books.vessel.key]: 'TERN' }, '2026-09-10');
    await books.post('6200', '1000', 30, { [books.vessel.key]: 'GULL' }, '2026-09-20');
    await books.post('6200', '1000', 9, { [books.vessel.key]: 'SHORE' }, '2026-09-12');
    const shown = figures(await statement(server, books.id, 'income-statement', '2026-01-01', '2026-09-15', `&${filter}`));
    expect(shown.find(([caption]) => caption === 'Other operating expenses')?.[1]).toBe(-700);
    const csv = new TextDecoder().decode(await server.bytes(`${books.path}/statements/income-statement/csv?from=2026-01-01&to=2026-09-15&${filter}`));
    expect(csv.split('\r\n')[2]).toMatch(/EUR · Only Vessel: FLEET$/);
    const evidence = await server.ok<EvidenceBody>(
      'GET',
      `${books.path}/statements/income-statement/evidence?from=2026-01-01&to=2026-09-30&line=${encodeURIComponent(await lineOf(books, filter))}&account=${(await books.find('6200')).id}&${filter}`,
    );
    expect([evidence.amount, evidence.entryCount]).toEqual(['-730', 2]);
    const { lines, total } = await server.ok<AccountLines>('GET', `${books.path}/lines?account=${(await books.find('6200')).id}&${filter}`);
    expect([total, lines.map(({ balance, facets }) => [balance, facets[books.vessel.key]])]).toEqual([
      2,
      [
        ['730', 'GULL'],
        ['700', 'TERN'],
      ],
    ]);
  });

  it('are refused where a rule forbids them, the line and the rule named', async () => {
    const books = await open();
    const [v, r] = [books.vessel.key, books.route.key];
    expect((await books.edit(books.vessel, { neededOn: '6200 to 6299', notAllowedOn: ' 63* ' })).body).toMatchObject({
      neededOn: '6200 to 6299',
      notAllowedOn: '63*',
    });
    expect(await books.refused('6200', '1000', 1, {})).toEqual({ line: 1, refused: { code: 'facet_needed', facet: 'Vessel' } });
    expect(await books.refused('6300', '1000', 1, { [v]: 'TERN' })).toEqual({ line: 1, refused: { code: 'facet_not_allowed', facet: 'Vessel' } });
    expect(await books.refused('6200', '1000', 1, { [v]: 'SWAN' })).toMatchObject({ refused: { code: 'facet_value_unknown' } });
    const rule = { first: v, firstValue: 'FLEET', second: r, secondValue: 'SOUTH', reason: 'too shallow' };
    const { id } = await server.ok<{ id: number }>('POST', `${books.path}/pairing-rules`, rule);
    expect(await books.refused('6200', '1000', 1, { [v]: 'TERN', [r]: 'SOUTH' })).toEqual({
      line: 1,
      refused: { code: 'facets_do_not_pair', facet: 'Vessel', value: 'TERN', otherFacet: 'Route', otherValue: 'SOUTH', reason: 'too shallow' },
    });
    expect((await server.ok<CodeLists>('GET', books.listsPath)).pairings).toEqual([{ id, ...rule }]);
    await server.ok('DELETE', `${books.path}/pairing-rules/${id}`);
    await books.post('6200', '1000', 1, { [v]: 'TERN', [r]: 'SOUTH' });
    expect(await server.refused('POST', `${books.path}/pairing-rules`, { ...rule, second: v, secondValue: 'GULL' })).toMatchObject({
      code: 'pairing_of_one_facet',
    });
    expect((await books.edit(books.vessel, { neededOn: '10 to' })).body).toMatchObject({ code: 'facet_range_malformed', facts: { field: 'neededOn' } });
  });

  it('hold their values: one that lines have stays and can be retired; one of a refused entry goes', async () => {
    const books = await open();
    const v = books.vessel.key;
    await books.post('6200', '1000', 1, { [v]: 'TERN' });
    expect((await books.edit(books.vessel, { remove: ['TERN'] })).body).toMatchObject({ code: 'list_code_held', facts: { listed: 'TERN', lines: 1 } });
    expect((await server.refused('DELETE', `${books.listsPath}/${books.vessel.id}`)).facts).toMatchObject({ lines: 1 });
    const retired = { was: 'TERN', code: 'TERN', caption: 'MV Tern', parent: 'FLEET', retired: true };
    expect((await books.edit(books.vessel, { set: [retired] })).body.codes.find(({ code }) => code === 'TERN')).toMatchObject({ retired: true });
    expect(await books.refused('6200', '1000', 1, { [v]: 'TERN' })).toMatchObject({ refused: { code: 'facet_value_retired' } });
    expect(await books.trialBalance({ [v]: ['TERN'] })).toEqual({ 6200: 1 });
    const outside = await server.refused('POST', `${books.path}/entries`, {
      date: '2020-01-01',
      lines: [
        { accountId: (await books.find('6200')).id, debit: '1', facets: { [v]: 'GULL' } },
        { accountId: (await books.find('1000')).id, credit: '1' },
      ],
    });
    expect(outside.code).toBe('day_outside_calendar');
    expect((await books.edit(books.vessel, { remove: ['GULL'] })).status).toBe(200);
  });

  it('are posted with a set made anew where another server has taken the known one away', async () => {
    const books = await open();
    const v = books.vessel.key;
    // Known to this server from here on; by hand it goes as it would with an unused value on another server.
    await books.post('6200', '1000', 5, { [v]: 'GULL' });
    const connection = await mysql.createConnection(server.databaseUrl);
    await connection.query('UPDATE journal_line SET facet_set_id = 0 WHERE company_id = ?', [books.id]);
    for (const table of ['facet_balance', 'facet_set_value', 'facet_set']) await connection.query(`DELETE FROM ${table} WHERE company_id = ?`, [books.id]);
    await connection.end();
    await books.post('6200', '1000', 3, { [v]: 'GULL' });
    const second = await TestServer.start({ databaseUrl: server.databaseUrl });
    second.cookie = server.cookie;
    const asked = `${books.path}/trial-balance?from=2026-01-01&to=2026-09-30&facets=${encodeURIComponent(JSON.stringify({ [v]: ['GULL'] }))}`;
    const { accounts } = await second.ok<TrialBalanceViewBody>('GET', asked);
    expect(accounts.find(({ number }) => number === '6200')?.closing).toBe('3');
    await second.serving.stop();
  });

  it('come through a second server process on the same database in its next answer', async () => {
    const books = await open();
    const second = await TestServer.start({ databaseUrl: server.databaseUrl });
    try {
      second.cookie = server.cookie;
      const asked = `${books.path}/trial-balance?from=2026-01-01&to=2026-09-30&facets=${encodeURIComponent(JSON.stringify({ [books.vessel.key]: ['TERN'] }))}`;
      const closing = async (from: TestServer) =>
        (await from.ok<TrialBalanceViewBody>('GET', asked)).accounts.find(({ number }) => number === '6200')?.closing ?? '';
      for (let sum = 1; sum <= 5; sum++) {
        await books.post('6200', '1000', 1, { [books.vessel.key]: 'TERN' });
        expect([await closing(second), await closing(server)]).toEqual([String(sum), String(sum)]);
      }
    } finally {
      await second.serving.stop();
    }
  });
});

describe('a facet that is added to history by a rule', () => {
  it('is given to the lines of some accounts that have none, shown before, on record, with every amount as it was', async () => {
    const books = await open();
    const [v, r] = [books.vessel.key, books.route.key];
    await books.post('6200', '1000', 700, { [v]: 'TERN' });
    await books.post('6200', '1000', 200, { [r]: 'NORTH' });
    await books.post('6300', '1000', 50, {});
    const [all, totals] = [await books.trialBalance(null), await books.totals()];
    const path = `${books.listsPath}/${books.vessel.id}`;
    const rule = { value: 'SHORE', accounts: '6200 to 6299' };
    const found = await server.ok<{ lines: number; accounts: { label: string; lines: number; net: string }[] }>('POST', `${path}/fill-rehearsal`, rule);
    // One of them came with the trial balance.
    expect([found.lines, found.accounts]).toEqual([2, [expect.objectContaining({ label: '6200 Insurance', lines: 2, net: '30200' })]]);
    expect(await books.trialBalance({ [v]: ['SHORE'] })).toEqual({});
    expect(await server.ok('POST', `${path}/fill`, rule)).toEqual({ lines: 2 });
    expect(await books.trialBalance({ [v]: ['SHORE'] })).toEqual({ 6200: 30200 });
    expect(await books.trialBalance({ [v]: ['SHORE'], [r]: ['NORTH'] })).toEqual({ 6200: 200 });
    expect(await books.trialBalance({ [v]: ['TERN'] })).toEqual({ 6200: 700 });
    expect([await books.trialBalance(null), await books.totals()]).toEqual([all, totals]);
    expect(await server.ok('POST', `${path}/fill`, rule)).toEqual({ lines: 0 });
    const { proofs } = await server.ok<{ proofs: { name: string; state: string }[] }>('GET', `${books.path}/proofs?from=2026-01-01&to=2026-09-30`);
    expect(proofs.find(({ name }) => name === 'balances_from_lines')?.state).toBe('holds');
    const { events } = await server.ok<{ events: { action: string; after: object }[] }>('GET', `${books.path}/history?thing=code_list&limit=1`);
    expect(events[0]).toMatchObject({ action: 'filled', after: { value: 'SHORE', rule: '6200 to 6299', lines: 2 } });
    expect(await server.refused('POST', `${path}/fill`, { ...rule, value: 'SWAN' })).toMatchObject({ code: 'facet_value_unknown' });
    expect(await server.refused('POST', `${path}/fill`, { ...rule, accounts: '10 to' })).toMatchObject({ code: 'facet_range_malformed' });
  });
});

describe('a facet that is added to history by a file', () => {
  it('is given to the lines that the file names, whole or not at all, shown before, on record, with every amount as it was', async () => {
    const books = await open();
    const [v, r] = [books.vessel.key, books.route.key];
    const first = await books.post('6200', '1000', 700, { [r]: 'NORTH' });
    const second = await books.post('6300', '1000', 50, {});
    const third = await books.post('6200', '1000', 3, { [v]: 'GULL' });
    const [all, totals] = [await books.trialBalance(null), await books.totals()];
    const path = `${books.listsPath}/${books.vessel.id}/value-file`;
    const file = (...rows: string[]) => Buffer.from(['Document,Account,Value,Line', ...rows].join('\n'));
    const good = file(`${first.documentNumber},6200,tern`, `${second.documentNumber},6300,SHORE,1`, `${third.documentNumber},6200,TERN`);
    expect(await server.ok('POST', `${path}-rehearsal?name=values.csv`, good)).toEqual({
      given: [
        { value: 'TERN', lines: 1, net: '700' },
        { value: 'SHORE', lines: 1, net: '50' },
      ],
      kept: 1,
      faultCount: 0,
      faults: [],
    });
    const wrong = file(`${first.documentNumber},6200,TERN`, `${second.documentNumber},6300,SWAN`, '999999,6200,TERN');
    expect(await server.ok('POST', `${path}-rehearsal?name=wrong.csv`, wrong)).toMatchObject({
      faultCount: 2,
      faults: [
        { row: 3, code: 'value_unknown', found: 'SWAN' },
        { row: 4, code: 'line_missing', found: '999999' },
      ],
    });
    expect(await server.refused('POST', `${path}?name=wrong.csv`, wrong)).toMatchObject({ code: 'facet_file_wrong', facts: { rows: 2 } });
    expect(await books.trialBalance({ [v]: ['TERN'] })).toEqual({});
    expect(await server.ok('POST', `${path}?name=values.csv`, good)).toEqual({ lines: 2 });
    expect(await books.trialBalance({ [v]: ['TERN'] })).toEqual({ 6200: 700 });
    expect(await books.trialBalance({ [v]: ['TERN'], [r]: ['NORTH'] })).toEqual({ 6200: 700 });
    expect(await books.trialBalance({ [v]: ['SHORE'] })).toEqual({ 6300: 50 });
    expect([await books.trialBalance(null), await books.totals()]).toEqual([all, totals]);
    const { proofs } = await server.ok<{ proofs: { name: string; state: string }[] }>('GET', `${books.path}/proofs?from=2026-01-01&to=2026-09-30`);
    expect(proofs.find(({ name }) => name === 'balances_from_lines')?.state).toBe('holds');
    const { events } = await server.ok<{ events: { action: string; after: object }[] }>('GET', `${books.path}/history?thing=code_list&limit=1`);
    expect(events[0]).toMatchObject({ action: 'filled', after: { value: 'SHORE, TERN', file: 'values.csv', lines: 2 } });
    expect(await server.ok('POST', `${path}?name=values.csv`, good)).toEqual({ lines: 0 });
  });
});

describe("MariaDB's own sums over lines joined with their facet values", () => {
  it('are the trial balance under any filter, for spans inside periods too', async () => {
    const books = await open();
    const [v, r] = [books.vessel.key, books.route.key];
    const any = <Item>(items: readonly Item[], at: number) => items[at % items.length] as Item;
    for (let at = 0; at < 40; at++) {
      const facets = {
        ...(at % 3 === 0 ? {} : { [v]: any(['TERN', 'GULL', 'SHORE'], at) }),
        ...(at % 4 === 0 ? {} : { [r]: any(['NORTH', 'SOUTH'], at >> 1) }),
      };
      await books.post(
        any(['6200', '6300'], at),
        '1000',
        100 + at * at,
        facets,
        `2026-${String(1 + (at % 9)).padStart(2, '0')}-${String(1 + ((at * 7) % 28)).padStart(2, '0')}`,
      );
    }
    const connection = await mysql.createConnection({ uri: server.databaseUrl, supportBigNumbers: true, bigNumberStrings: true });
    const sums = async (from: string, to: string, vessels: string[]) => {
      const [rows] = await connection.query(
        `SELECT account.number, SUM(line.debit - line.credit) AS net
           FROM journal_line AS line JOIN account ON account.company_id = line.company_id AND account.id = line.account_id
           JOIN facet_set_value AS held ON held.company_id = line.company_id AND held.facet_set_id = line.facet_set_id
           JOIN listed_code AS value ON value.company_id = held.company_id AND value.id = held.code_id AND value.code IN (?)
          WHERE line.company_id = ? AND line.entry_date BETWEEN ? AND ? GROUP BY account.number HAVING net <> 0`,
        [vessels, books.id, from, to],
      );
      return Object.fromEntries((rows as { number: string; net: string }[]).map(({ number, net }) => [number, Number(net)]));
    };
    for (const to of ['2026-09-30', '2026-05-14', '2026-02-01', '2026-07-31'])
      for (const [asked, vessels] of [
        [['FLEET'], ['TERN', 'GULL']],
        [['SHORE'], ['SHORE']],
        [
          ['GULL', 'SHORE'],
          ['GULL', 'SHORE'],
        ],
      ] as const)
        expect(await books.trialBalance({ [v]: asked }, `from=2026-01-01&to=${to}`)).toEqual(await sums('2026-01-01', to, [...vessels]));
    await connection.end();
  });
});

async function lineOf(books: { id: number }, filter: string): Promise<string> {
  const { rows } = await statement(server, books.id, 'income-statement', '2026-01-01', '2026-09-30', `&${filter}`);
  return rows.find(({ caption }) => caption === 'Other operating expenses')?.lineKey ?? '';
}
