import type { CategoryBody, Company, PlacementView, StatementBody } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const span = 'from=2026-01-01&to=2026-09-30';

async function open() {
  const shop = await openShop(server);
  const settings = async (change: object) => {
    const { settingsVersion } = await server.ok<Company>('GET', shop.path);
    return server.ok<Company>('PATCH', shop.path, { version: settingsVersion, ...change });
  };
  const category = async (name: string) =>
    (await server.ok<PlacementView>('GET', `${shop.path}/placement?${span}`)).categories.find((one) => one.name === name) as CategoryBody;
  const caption = async (name: string, captions: object[]) => {
    const { id, version } = await category(name);
    return server.ok<CategoryBody>('PATCH', `${shop.path}/categories/${id}`, { version, captions });
  };
  const statement = (kind: string, language: string) => server.ok<StatementBody>('GET', `${shop.path}/statements/${kind}?${span}&language=${language}`);
  return { ...shop, settings, category, caption, statement };
}

describe('languages of captions', () => {
  it('a statement is read in each of the company’s, figures as they were', async () => {
    const books = await open();
    expect((await books.settings({ languages: ['en', 'de'] })).languages).toEqual(['en', 'de']);
    await books.caption('Cash and cash equivalents', [{ language: 'de', caption: 'Zahlungsmittel' }]);
    const [english, german] = [await books.statement('balance-sheet', 'en'), await books.statement('balance-sheet', 'de')];
    expect([english.title, german.title, german.language]).toEqual(['Balance sheet', 'Bilanz', 'de']);
    expect(german.rows.map(({ caption }) => caption)).toEqual(expect.arrayContaining(['Zahlungsmittel', 'Summe Vermögenswerte', 'Share capital']));
    expect(german.rows.map(({ values }) => values)).toEqual(english.rows.map(({ values }) => values));
    const csv = new TextDecoder().decode(await server.bytes(`${books.path}/statements/balance-sheet/csv?${span}&language=de`));
    expect(csv).toContain('Bilanz');
    expect(csv).toContain('30. September 2026');
  });

  it('the main one holds where another is asked for that is none of them', async () => {
    const books = await open();
    await books.settings({ languages: ['nb', 'en'] });
    expect((await books.statement('income-statement', 'fr')).title).toBe('Resultatregnskap');
    expect((await books.statement('income-statement', 'en')).title).toBe('Income statement');
  });

  it('captions are kept with their category, and go with a copy of the company', async () => {
    const books = await open();
    await books.settings({ languages: ['en', 'fr'] });
    expect((await books.caption('Revenue', [{ language: 'fr', caption: 'Ventes' }])).captions).toEqual([{ language: 'fr', caption: 'Ventes' }]);
    const begun = { name: 'A copy', currency: 'EUR', fiscalYearFirstMonth: 1, beginWith: { kind: 'copy', companyId: books.id } };
    const copy = await server.ok<Company>('POST', '/companies', begun);
    const { categories } = await server.ok<PlacementView>('GET', `/companies/${copy.id}/placement?${span}`);
    expect([copy.languages, categories.find(({ name }) => name === 'Revenue')?.captions]).toEqual([['en', 'fr'], [{ language: 'fr', caption: 'Ventes' }]]);
    await books.caption('Revenue', []);
    expect((await books.category('Revenue')).captions).toEqual([]);
  });

  it('none, one twice, or one whose words are not there is refused', async () => {
    const books = await open();
    for (const languages of [[], ['en', 'en'], ['xx']])
      expect(await server.refused('PATCH', books.path, { version: 0, languages })).toMatchObject({ code: 'request_invalid' });
  });
});
