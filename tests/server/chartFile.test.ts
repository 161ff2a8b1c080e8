import type { ChartCheckBody, ChartView, CodeListBody, Company, History } from '@ivory-ladder/contract';
import ExcelJS from 'exceljs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const span = { from: '2026-01-01', to: '2026-09-30' };

async function open() {
  const shop = await openShop(server);
  const load = async (content: string | Uint8Array, name = 'chart.csv') => {
    const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
    const { fileId } = await server.ok<{ fileId: number }>('POST', `${shop.path}/chart-files?name=${name}`, bytes);
    const file = `${shop.path}/chart-files/${fileId}`;
    const rehearsed = await server.ok<ChartCheckBody>('POST', `${file}/rehearsal`, span);
    const { structureVersion, revision } = rehearsed;
    return {
      ...rehearsed,
      states: rehearsed.rows.map(({ state }) => state),
      apply: () => server.call<{ added: number; changed: number; code: string }>('POST', `${file}/application`, { structureVersion, revision }),
    };
  };
  const written = async (kind: 'csv' | 'xlsx') => Buffer.from(await server.bytes(`${shop.path}/chart/file?kind=${kind}`));
  return { ...shop, load, written };
}

describe('the chart as a file', () => {
  it.each(['csv', 'xlsx'] as const)(
    'written as %s and loaded back has nothing to do, with names that look like formulas and numbers that begin with zero',
    async (kind) => {
      const books = await open();
      const parent = await books.add({ number: '0600', name: '=Sum', purpose: "'=kept\nin two lines", externalNumber: '+47' });
      await books.add({ number: '0610', name: '-\'quoted" name', parentId: parent.id, normalSide: 'credit' });
      await books.add({ number: '0620', name: '@sign; with, separators', parentId: parent.id });
      await books.change('0620', { active: false });
      await books.change('1000', { role: 'cash' });
      const { states, missing, newCategories, effect, unknownColumns, apply } = await books.load(await books.written(kind), `chart.${kind}`);
      expect([states.length, new Set(states), missing, newCategories, effect.rows, unknownColumns]).toEqual([10, new Set(['same']), [], [], [], []]);
      const before = await books.chart();
      expect((await apply()).body).toEqual({ added: 0, changed: 0 });
      expect(await books.chart()).toEqual(before);
    },
  );

  it('ten rows changed in a spreadsheet are offered, exactly these, and applied whole', async () => {
    const { id } = await server.ok<Company>('POST', '/companies', {
      name: 'Makers',
      currency: 'EUR',
      fiscalYearFirstMonth: 1,
      beginWith: { kind: 'starter', key: 'manufacture' },
    });
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(Buffer.from(await server.bytes(`/companies/${id}/chart/file?kind=xlsx`)) as unknown as ArrayBuffer);
    const sheet = workbook.getWorksheet('Chart of accounts') as ExcelJS.Worksheet;
    const rows = [3, 8, 15, 22, 30, 41, 47, 55, 61, 70];
    const numbers = rows.map((row) => String(sheet.getCell(row, 1).value));
    for (const row of rows) sheet.getCell(row, 3).value = `${sheet.getCell(row, 3).value}, reworded`;
    const { fileId } = await server.ok<{ fileId: number }>(
      'POST',
      `/companies/${id}/chart-files?name=makers.xlsx`,
      new Uint8Array(await workbook.xlsx.writeBuffer()),
    );
    const rehearsed = await server.ok<ChartCheckBody>('POST', `/companies/${id}/chart-files/${fileId}/rehearsal`, span);
    const changed = rehearsed.rows.filter(({ state }) => state !== 'same');
    expect(changed.map(({ number, state, changes }) => [number, state, changes.map(({ field }) => field)])).toEqual(
      numbers.map((number) => [number, 'changed', ['name']]),
    );
    const { structureVersion, revision } = rehearsed;
    expect(await server.ok('POST', `/companies/${id}/chart-files/${fileId}/application`, { structureVersion, revision })).toEqual({ added: 0, changed: 10 });
    const { accounts } = await server.ok<ChartView>('GET', `/companies/${id}/chart?${new URLSearchParams(span)}`);
    expect(accounts.filter(({ name }) => name.endsWith(', reworded')).map(({ number }) => number)).toEqual(numbers);
  });

  it('adds, nests, renumbers, moves and retires at once; the statements change in the lines said before, and no total does', async () => {
    const books = await open();
    const totals = await books.totals();
    const loaded = await books.load(
      [
        'Number,New number,Name,Nested below,Category,Active,Role',
        '6000,,Running,,,yes,',
        '6200,6100,Insurance,6000,Other operating expenses > Cover,yes,',
        '6300,6200,Travel,6000,Other operating expenses,yes,',
        '3200,,Reserve,,Reserves,no,',
      ]
        .join('\n')
        .replace('6000,,Running,,,', '6000,,Running,,,'),
    );
    // A new parent without an element has none to follow; it is said, and nothing is applied.
    expect(loaded.rows[0]).toMatchObject({ state: 'wrong', faults: [{ field: 'element', reason: 'missing' }] });
    expect((await loaded.apply()).body).toMatchObject({ code: 'chart_file_wrong' });
    const again = await books.load(
      [
        'Number,New number,Name,Element,Nested below,Category,Active,Role',
        '6000,,Running,expense,,,yes,',
        '6200,6300,Insurance,,6000,Other operating expenses > Cover,yes,',
        '6300,6200,Travel,,6000,Other operating expenses,yes,',
        '3200,,Reserve,,,Reserves,no,',
      ].join('\n'),
    );
    expect(again.states).toEqual(['new', 'changed', 'changed', 'changed']);
    expect(again.newCategories).toEqual([{ element: 'expense', path: ['Other operating expenses', 'Cover'] }]);
    expect(again.effect.rows.map(({ caption, before, after }) => [caption, before, after])).toEqual(expect.arrayContaining([['Cover', null, '-30000']]));
    expect(again.effect.rows.some(({ role }) => role === 'final')).toBe(false);
    expect(again.missing.map(({ number }) => number)).toEqual(['1000', '3000', '3100', '4000']);
    expect((await again.apply()).body).toEqual({ added: 1, changed: 3 });
    expect(await books.numbers()).toEqual(['1000', '3000', '3100', '3200', '4000', '6000', '. 6200', '. 6300']);
    expect(await books.find('6300')).toMatchObject({ name: 'Insurance', places: [{ side: 'any' }] });
    expect(await books.find('3200')).toMatchObject({ active: false });
    const known = new Set(totals.flat().map(([caption]) => caption));
    expect((await books.totals()).map((rows) => rows.filter(([caption]) => known.has(caption)))).toEqual(totals);
    const { events } = await server.ok<History>('GET', `${books.path}/history?thing=account&limit=5`);
    expect(events.map(({ label, action }) => [label, action])).toEqual(
      expect.arrayContaining([
        ['6300 Insurance', 'changed'],
        ['6000 Running', 'added'],
      ]),
    );
  });

  it('tells codes that it gives to accounts which they are not meant for, and none that stood so before', async () => {
    const books = await open();
    const list = await server.ok<CodeListBody>('POST', `${books.path}/code-lists`, {
      kind: 'report',
      name: 'Tax',
      codes: [
        { code: 'A1', caption: 'Money', element: 'asset', side: 'debit' },
        { code: 'S1', caption: 'Sales', element: 'income' },
      ],
    });
    await books.change('3000', { codes: { [list.key]: 'S1' } });
    const heading =
      (await books.written('csv'))
        .toString('utf8')
        .split(/\r?\n/)[0]
        ?.split(',')
        .find((cell) => cell.includes('Tax')) ?? '';
    const { codesAtOdds, states } = await books.load(`Number,${heading}\n1000,A1\n4000,A1\n6200,S1\n3000,S1\n`);
    expect(states).toEqual(['changed', 'changed', 'changed', 'same']);
    expect(codesAtOdds).toEqual([
      { list: 'Tax', number: '4000', name: 'Sales', code: 'A1', caption: 'Money', meantFor: 'asset', account: 'income' },
      { list: 'Tax', number: '6200', name: 'Insurance', code: 'S1', caption: 'Sales', meantFor: 'income', account: 'expense' },
    ]);
  });

  it('a role moves with the file, and its holder of before is told in history', async () => {
    const books = await open();
    const { apply, states } = await books.load('Number,Role\n3200,retained earnings\n3100,');
    expect(states).toEqual(['changed', 'changed']);
    await apply();
    expect([(await books.find('3100')).role, (await books.find('3200')).role]).toEqual([null, 'retained_earnings']);
  });

  it('an account with a balance is not retired by a file', async () => {
    const books = await open();
    expect((await books.load('Number,Active\n6200,no')).rows[0]).toMatchObject({ state: 'wrong', faults: [{ field: 'active', reason: 'balance_not_zero' }] });
  });

  it('is applied only to the chart that the rehearsal showed', async () => {
    const books = await open();
    const { apply } = await books.load('Number,Name\n6200,Cover');
    await books.change('6300', { name: 'Trips' });
    expect(await apply()).toMatchObject({ status: 409, body: { code: 'chart_moved_on' } });
    expect(await books.find('6200')).toMatchObject({ name: 'Insurance' });
  });

  it.each([
    ['a table of something else', 'Konto;Bezeichnung\n1;Bank', 'chart_headings_missing'],
    ['a picture', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0]), 'file_not_a_table'],
    ['nothing', new Uint8Array(0), 'file_not_a_table'],
  ])('%s is refused in words', async (_, content, code) => {
    const books = await open();
    const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
    const uploaded = await server.call<{ fileId: number; code: string }>('POST', `${books.path}/chart-files?name=x`, bytes);
    const refused = uploaded.status >= 400 ? uploaded.body : await server.refused('POST', `${books.path}/chart-files/${uploaded.body.fileId}/rehearsal`, span);
    expect(refused.code).toBe(code);
  });

  it('10,000 accounts come in at once, nested and placed, in their order', async () => {
    const { id } = await server.ok<Company>('POST', '/companies', { name: 'Large', currency: 'EUR', fiscalYearFirstMonth: 1 });
    const lines = Array.from({ length: 10_000 }, (_, at) => {
      const parent = at % 10 === 0 ? '' : String(10_000 + at - (at % 10));
      return `${10_000 + at},Account ${at},expense,${parent},${at % 10 === 0 ? '' : `Other operating expenses > Group ${at % 40}`}`;
    });
    const content = new TextEncoder().encode(['Number,Name,Element,Nested below,Category', ...lines].join('\n'));
    const { fileId } = await server.ok<{ fileId: number }>('POST', `/companies/${id}/chart-files?name=large.csv`, content);
    const { structureVersion, revision, newCategories } = await server.ok<ChartCheckBody>('POST', `/companies/${id}/chart-files/${fileId}/rehearsal`, span);
    expect(newCategories.length).toBe(36);
    const began = performance.now();
    expect(await server.ok('POST', `/companies/${id}/chart-files/${fileId}/application`, { structureVersion, revision })).toEqual({
      added: 10_000,
      changed: 0,
    });
    const seconds = (performance.now() - began) / 1000;
    const { accounts } = await server.ok<ChartView>('GET', `/companies/${id}/chart?${new URLSearchParams(span)}`);
    expect(accounts.map(({ number }) => number)).toEqual(Array.from({ length: 10_000 }, (_, at) => String(10_000 + at)));
    expect(accounts.filter(({ depth, places }) => depth === 1 && places.length === 1).length).toBe(9000);
    process.stdout.write(`10,000 accounts applied in ${seconds.toFixed(1)} s\n`);
  });
});
