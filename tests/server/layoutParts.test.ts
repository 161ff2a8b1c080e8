import type { CodeListBody, EvidenceBody } from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { line, openLayoutShop } from '../support/layoutShop.ts';
import { recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { figures } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const from = (text: string) => [{ kind: 'numbers' as const, text }];

async function open() {
  const shop = await openLayoutShop(server);
  const facet = (name: string, codes: readonly { code: string; parent?: string }[]) =>
    server.ok<CodeListBody>('POST', `${shop.path}/code-lists`, { kind: 'facet', name, codes: codes.map((code) => ({ caption: code.code, ...code })) });
  const vessel = await facet('Vessel', [{ code: 'FLEET' }, { code: 'SHORE' }, { code: 'TERN', parent: 'FLEET' }, { code: 'GULL', parent: 'FLEET' }]);
  const route = await facet('Route', [{ code: 'NORTH' }]);
  const post = async (date: string, debit: string, credit: string, amount: number, facets: Record<string, string> = {}) =>
    server.ok('POST', `${shop.path}/entries`, {
      date,
      lines: [
        { accountId: (await shop.find(debit)).id, debit: String(amount), facets },
        { accountId: (await shop.find(credit)).id, credit: String(amount), facets: {} },
      ],
    });
  const shown = async (id: number, more = '', over?: string) =>
    Object.fromEntries(figures(await shop.run(id, more, over)).map(([caption, first]) => [caption, first]));
  return { ...shop, v: vessel.key, r: route.key, post, shown };
}

describe('lines of a composed layout', () => {
  it('with facet values take these lines alone, within what the whole statement is asked for; a remainder takes all but them', async () => {
    const shop = await open();
    const { v, r } = shop;
    await shop.post('2026-09-15', '6200', '1000', 700, { [v]: 'TERN', [r]: 'NORTH' });
    await shop.post('2026-09-20', '6200', '1000', 200, { [v]: 'GULL' });
    await shop.post('2026-09-15', '6300', '1000', 50, { [v]: 'SHORE' });
    const begun = await shop.begin('By vessel', 'nothing');
    const always = { shown: 'always' };
    const lines = [
      { ...newLine('accounts', 'fleet', 'Fleet'), ...always, sources: from('62*'), facets: { [v]: ['FLEET'] } },
      { ...newLine('accounts', 'shore', 'Shore'), ...always, sources: from('62*, 63*'), facets: { [v]: ['SHORE'] } },
      { ...newLine('memo', 'tern', 'Of it Tern'), ...always, sources: from('62*, 63*'), facets: { [v]: ['TERN'] } },
      { ...newLine('memo', 'before', 'Tern before'), ...always, sources: from('6*'), facets: { [v]: ['TERN'] }, measure: 'opening' },
      { ...newLine('remainder', 'rest', 'All else'), ...always, elements: ['expense'] },
    ].map(line);
    await shop.use(await shop.save(begun, { ...begun.definition, scope: ['expense'], lines }));
    const only = (filter: object) => `&facets=${encodeURIComponent(JSON.stringify(filter))}`;
    expect(await shop.shown(begun.id)).toEqual({ Fleet: 900, Shore: 50, 'Of it Tern': 700, 'Tern before': 0, 'All else': 40000 });
    expect(await shop.shown(begun.id, '', 'from=2026-09-16&to=2026-09-20')).toEqual({
      Fleet: 200,
      Shore: 0,
      'Of it Tern': 0,
      'Tern before': 700,
      'All else': 0,
    });
    const ternAlone = { Fleet: 700, Shore: 0, 'Of it Tern': 700, 'Tern before': 0, 'All else': 0 };
    expect(await shop.shown(begun.id, only({ [v]: ['TERN'] }))).toEqual(ternAlone);
    expect(await shop.shown(begun.id, only({ [r]: ['NORTH'] }))).toEqual(ternAlone);
    expect(await shop.shown(begun.id, only({ [v]: ['FLEET'] }))).toEqual({ ...ternAlone, Fleet: 900 });
    expect(await shop.shown(begun.id, only({ [v]: ['SHORE'] }))).toEqual({ Fleet: 0, Shore: 50, 'Of it Tern': 0, 'Tern before': 0, 'All else': 0 });
  });

  it('for one side take of a movement what that side has more at the end than at the beginning', async () => {
    const shop = await open();
    // Overdrawn by 100 until the balances of September come in.
    await shop.post('2026-01-10', '6200', '1000', 100);
    const begun = await shop.begin('Bank by side', 'nothing');
    const lines = [
      { ...newLine('accounts', 'held', 'At the bank'), sources: from('1000'), takes: 'debit' },
      { ...newLine('accounts', 'owed', 'Overdrawn'), sources: from('1000'), takes: 'credit' },
      {
        ...newLine('sum', 'net', 'Net'),
        side: 'debit',
        terms: [
          { key: 'held', sign: 1 },
          { key: 'owed', sign: -1 },
        ],
      },
    ].map(line);
    await shop.use(await shop.save(begun, { ...begun.definition, lines }));
    expect(await shop.shown(begun.id, '', 'from=2026-02-01&to=2026-09-30')).toEqual({ 'At the bank': 89900, Overdrawn: -100, Net: 90000 });
    expect(await shop.shown(begun.id, '', 'from=2026-01-01&to=2026-01-31')).toEqual({ Overdrawn: 100, Net: -100 });
  });
});

describe('a line by the tree of accounts', () => {
  it('shows accounts under those above them with their sums, in the workbook too, and a sum opens to what is below it', async () => {
    const shop = await openLayoutShop(server);
    const insurance = await shop.find('6200');
    const hulls = await shop.add({ number: '6210', name: 'Hulls', parentId: insurance.id });
    const crew = await shop.add({ number: '6220', name: 'Crew', parentId: insurance.id });
    const bank = await shop.find('1000');
    for (const [accountId, amount] of [
      [hulls.id, '700'],
      [crew.id, '300'],
    ])
      await server.ok('POST', `${shop.path}/entries`, {
        date: '2026-09-15',
        lines: [
          { accountId, debit: amount },
          { accountId: bank.id, credit: amount },
        ],
      });
    const begun = await shop.begin('By tree', 'nothing');
    const costs = { ...newLine('accounts', 'costs', 'Costs'), sources: [{ kind: 'numbers', text: '6000 to 6999' }], byAccount: true, byTree: 3 };
    const saved = await shop.save(begun, { ...begun.definition, measure: 'movement', lines: [line(costs)] });
    await shop.use(saved);
    const body = await shop.run(begun.id, '&compare=none');
    expect(body.rows.map(({ caption, depth, values }) => [caption, depth, values[0]])).toEqual([
      ['Costs', 0, '41000'],
      ['6200 Insurance', 1, '31000'],
      ['Posted directly to 6200 Insurance', 2, '30000'],
      ['6210 Hulls', 2, '700'],
      ['6220 Crew', 2, '300'],
      ['6300 Travel', 1, '10000'],
    ]);
    const { formulas } = await recomputeStatement(server, shop.id, `layout-${begun.id}`, 'from=2026-01-01&to=2026-09-30&compare=none');
    expect(formulas).toBe(2);
    const evidence = await server.ok<EvidenceBody>(
      'GET',
      `${shop.path}/statements/layout-${begun.id}/evidence?from=2026-01-01&to=2026-09-30&compare=none&column=0&line=costs&account=${insurance.id}`,
    );
    expect([evidence.amount, evidence.accounts.map(({ number, net }) => [number, net])]).toEqual([
      '31000',
      [
        ['6200', '30000'],
        ['6210', '700'],
        ['6220', '300'],
      ],
    ]);
  });
});
