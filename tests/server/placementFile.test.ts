import type { AppliedPlacement, PlacementView, ReadPlacementBody } from '@ivory-ladder/contract';
import ExcelJS from 'exceljs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const span = { from: '2026-01-01', to: '2026-09-30', compare: 'usual' };

async function open() {
  const shop = await openShop(server);
  const text = async () => new TextDecoder().decode(await server.bytes(`${shop.path}/placement/file?kind=csv`)).replace(/^\uFEFF/, '');
  return {
    ...shop,
    text,
    load: (content: string | Uint8Array, name = 'placement.csv') =>
      server.ok<ReadPlacementBody>(
        'POST',
        `${shop.path}/placement/file-rehearsal?name=${name}`,
        typeof content === 'string' ? new TextEncoder().encode(content) : content,
      ),
    view: () => server.ok<PlacementView>('GET', `${shop.path}/placement?from=2026-01-01&to=2026-09-30`),
  };
}

describe('the placement as a file', () => {
  it('has a row for each category and account, and changes nothing when it is loaded back, as CSV and as workbook', async () => {
    const shop = await open();
    // No cell of the shop has a comma in it.
    const rows = (await shop.text()).split('\r\n').map((line) => line.split(','));
    expect(rows[0]?.slice(0, 7)).toEqual(['Account', 'Name', 'Element', 'Category', 'Category while in debit', 'Category while in credit', 'Numbers']);
    expect(rows).toContainEqual(['6300', 'Travel', 'expense', 'Other operating expenses', '', '', '', '', '', '']);
    expect(await shop.load(await shop.text())).toMatchObject({ accounts: 0, categories: 0, faultCount: 0 });
    const workbook = new ExcelJS.Workbook();
    const bytes = await server.bytes(`${shop.path}/placement/file?kind=xlsx`);
    await workbook.xlsx.load(bytes.buffer as ArrayBuffer);
    expect(workbook.worksheets.map(({ name }) => name)).toEqual(['Placement', 'What each column takes']);
    expect(await shop.load(bytes, 'placement.xlsx')).toMatchObject({ accounts: 0, categories: 0, faultCount: 0 });
  });

  it('is edited and loaded back as a draft, which is applied whole; a file with faults makes none', async () => {
    const shop = await open();
    const edited = `${(await shop.text()).replace('6300,Travel,expense,Other operating expenses', '6300,Travel,expense,')},,expense,Travel and fares,,,6300 to 6399,,,\r\n`;
    const { draft, accounts, categories, faultCount } = await shop.load(edited);
    expect([accounts, categories, faultCount]).toEqual([1, 1, 0]);
    expect((await shop.view()).accounts.find(({ number }) => number === '6300')?.places).toHaveLength(1);
    await server.ok<AppliedPlacement>('POST', `${shop.path}/placement-records`, { draft, reason: 'from the file', ...span });
    const view = await shop.view();
    const made = view.categories.find(({ name }) => name === 'Travel and fares');
    expect(made?.ranges).toEqual([{ side: 'any', text: '6300 to 6399' }]);
    expect(view.accounts.find(({ number }) => number === '6300')).toMatchObject({ places: [], placesByRange: [{ side: 'any', categoryId: made?.id }] });

    const wrong = await shop.load((await shop.text()).replace('6200,Insurance,expense,Other operating expenses', '6200,Insurance,expense,Revenue'));
    expect(wrong.faults).toEqual([{ row: expect.any(Number), column: 'category', code: 'category_of_other_element', found: 'Revenue' }]);
  });
});
