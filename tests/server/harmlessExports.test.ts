import type { CodeListBody, LayoutDetail, PlacementView, StatementSetBody } from '@ivory-ladder/contract';
import { parse } from 'csv-parse/sync';
import ExcelJS from 'exceljs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { bringIn, createCompany } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const harm = '=1+1';
const span = 'from=2026-01-01&to=2026-12-31';

/** A company of which every text that somebody can write is a formula. */
async function harmful() {
  const company = await createCompany(server, { name: `${harm} Company` });
  const path = `/companies/${company.id}`;
  await bringIn(
    server,
    company.id,
    [
      'Number,Name,Element,Category,Balance',
      `1000,"${harm}",asset,"${harm} a",100`,
      `3000,"+${harm}",equity,"-${harm} b",-40`,
      `4000,"@${harm}",income,"${harm} c",-90`,
      `6000,"-2+3",expense,"\t${harm} d",30`,
    ].join('\n'),
    { date: '2026-06-30', retainedEarnings: '3000' },
  );
  const { accounts } = await server.ok<{ accounts: { id: number; number: string; version: number }[] }>('GET', `${path}/chart?${span}`);
  const of = (number: string) => accounts.find((account) => account.number === number) as (typeof accounts)[number];
  const lists = await Promise.all(
    (['facet', 'report'] as const).map((kind) =>
      server.ok<CodeListBody>('POST', `${path}/code-lists`, { kind, name: `${harm} ${kind}`, codes: [{ code: `${harm}V`, caption: harm }] }),
    ),
  );
  const [facet] = lists as [CodeListBody, CodeListBody];
  await server.ok('PATCH', `${path}/accounts/${of('1000').id}`, { version: of('1000').version, purpose: harm, externalNumber: harm });
  await server.ok('POST', `${path}/series`, { code: '-A', name: harm, nextNumber: 1 }).catch(() => undefined);
  await server.ok('POST', `${path}/entries`, {
    date: '2026-07-15',
    description: harm,
    lines: [
      { accountId: of('6000').id, debit: '500', text: harm, facets: { [facet.key]: `${harm}V` } },
      { accountId: of('1000').id, credit: '500', text: `@${harm}`, facets: {} },
    ],
  });
  await server.ok('POST', `${path}/accounts/${of('1000').id}/notes`, { content: harm });
  const { categories } = await server.ok<PlacementView>('GET', `${path}/placement?${span}`);
  for (const { id, version, name } of categories.slice(0, 2))
    await server.call('PATCH', `${path}/categories/${id}`, { version, name: `${harm} ${name}`, note: harm, description: harm });
  const layout = await server.ok<LayoutDetail>('POST', `${path}/layouts`, { name: `${harm} layout`, from: 'income_statement' });
  const saved = await server.ok<LayoutDetail>('PUT', `${path}/layouts/${layout.id}/draft`, {
    version: layout.version,
    definition: { ...layout.definition, title: harm },
  });
  await server.ok('POST', `${path}/layouts/${layout.id}/use`, { version: saved.version, reason: harm });
  const budget = await server.ok<{ id: number }>('POST', `${path}/budgets`, { year: 2026, name: `${harm} budget` });
  const set = await server.ok<StatementSetBody>('POST', `${path}/sets`, {
    name: `${harm} set`,
    definition: {
      parts: [{ key: 'sheet', statement: 'balance-sheet', title: harm, columns: null, detail: 2, zeroLines: true }],
      scale: { unit: 'exact', rounding: 'footed' },
      language: null,
    },
  });
  await joinCompany(server, company.id, { name: `${harm} Person`, email: 'harm@example.org', role: 'preparer' });
  return { path, layout: layout.id, budget: budget.id, set: set.id };
}

const isNumber = (cell: string) => /^-?[\d,.]+%?$/.test(cell);

describe('what is taken out', () => {
  it('has no cell of CSV that begins a formula, whatever texts a company has', async () => {
    const { path, layout } = await harmful();
    const files = [
      'chart/file?kind=csv',
      'placement/file?kind=csv',
      `statements/balance-sheet/csv?${span}`,
      `statements/income-statement/csv?${span}`,
      `statements/cash-flow/csv?${span}`,
      `statements/changes-in-equity/csv?${span}`,
      `statements/layout-${layout}/csv?${span}`,
      `trial-balance/csv?${span}&view=adjusted`,
      `account-ledger/csv?${span}`,
      'entry-list/csv',
      'history/csv',
      'empty-lines-file',
    ];
    let texts = 0;
    for (const file of files) {
      const content = new TextDecoder().decode(await server.bytes(`${path}/${file}`));
      const rows = parse(content, { bom: true, relax_column_count: true }) as string[][];
      for (const cell of rows.flat()) {
        if (cell.includes(harm)) texts++;
        expect([file, /^[=+\-@\t\r]/.test(cell) && !isNumber(cell) ? cell : '']).toEqual([file, '']);
      }
    }
    // The texts are there, in most of the files and often.
    expect(texts).toBeGreaterThan(25);
  });

  it('has no formula in a workbook but our own', async () => {
    const { path, layout, budget } = await harmful();
    const files = [
      'chart/file?kind=xlsx',
      'placement/file?kind=xlsx',
      `statements/balance-sheet/workbook?${span}`,
      `statements/layout-${layout}/workbook?${span}`,
      `trial-balance/workbook?${span}`,
      `budgets/${budget}/workbook`,
    ];
    for (const file of files) {
      const workbook = new ExcelJS.Workbook();
      await workbook.xlsx.load((await server.bytes(`${path}/${file}`)) as unknown as ArrayBuffer);
      for (const sheet of workbook.worksheets)
        sheet.eachRow((row) =>
          row.eachCell((cell) => {
            const formula = (cell.value as { formula?: string } | null)?.formula;
            expect([file, formula === '1+1' ? cell.address : '']).toEqual([file, '']);
          }),
        );
    }
  });
});

describe('a sheet', () => {
  it.each([
    ['Profit / loss [all] *?:', 'Profit loss all'],
    ["'Quoted'", 'Quoted'],
    ['History', 'History 2'],
    ['exact', 'exact 2'],
    ['x'.repeat(40), 'x'.repeat(31)],
    // The thirty-first unit is half of a ship.
    [`${'x'.repeat(30)}🚢`, 'x'.repeat(30)],
    [':', 'Sheet'],
    [harm, harm],
  ])('bears a name that every program takes, whatever the title: %s', async (title, expected) => {
    const { path } = await openShop(server);
    const { id, version, definition } = await server.ok<LayoutDetail>('POST', `${path}/layouts`, { name: 'Titled', from: 'income_statement' });
    const saved = await server.ok<LayoutDetail>('PUT', `${path}/layouts/${id}/draft`, { version, definition: { ...definition, title } });
    await server.ok('POST', `${path}/layouts/${id}/use`, { version: saved.version });
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load((await server.bytes(`${path}/statements/layout-${id}/workbook?${span}&scale=thousands`)) as never);
    expect(workbook.worksheets.map(({ name }) => name)).toEqual([expected, 'Exact']);
  });
});
