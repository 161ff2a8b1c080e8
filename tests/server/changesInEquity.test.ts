import type { EvidenceBody, LayoutDetail, PlacementView, PostedEntryBody, ProofList, RanSet, StatementBody, StatementSetBody } from '@ivory-ladder/contract';
import { newPlanColumn } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringInEquityExample, equityExampleLayout, publishedEquity } from '../support/equityExample.ts';
import { recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';
import { figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

const proofOf = async (path: string, from: string, to: string) =>
  (await server.ok<ProofList>('GET', `${path}/proofs?from=${from}&to=${to}`)).proofs.find(({ name }) => name === 'equity_ties');

/** IAS 1, Guidance on implementing; values from memory (see support/equityExample.ts). */
describe('the statement of changes in equity of IAS 1’s guidance', () => {
  it('comes out as published, column by column, from a composed layout that holds each account once', async () => {
    const { id, path } = await bringInEquityExample(server);
    const begun = await server.ok<LayoutDetail>('POST', `${path}/layouts`, { name: 'Equity', from: 'nothing' });
    const saved = await server.ok<LayoutDetail>('PUT', `${path}/layouts/${begun.id}/draft`, { version: begun.version, definition: equityExampleLayout() });
    await server.ok('POST', `${path}/layouts/${begun.id}/use`, { version: saved.version });
    const body = await statement(server, id, `layout-${begun.id}`, '2027-01-01', '2027-12-31', '&compare=none&detail=1');
    expect(body.columns.map((column) => column.heading)).toEqual([
      'Share capital',
      'Retained earnings',
      'Translation',
      'Investments',
      'Hedges',
      'Revaluation',
      'Total equity',
    ]);
    const shown = figures(body, 100n);
    for (const [caption, ...amounts] of publishedEquity) expect(shown.find(([name]) => name === caption)?.slice(1), caption).toEqual(amounts);
    expect(await proofOf(path, '2027-01-01', '2027-12-31')).toMatchObject({ state: 'holds' });
    const { proofs } = await server.ok<ProofList>('GET', `${path}/proofs?from=2027-01-01&to=2027-12-31`);
    expect(proofs.find(({ name }) => name === 'layouts_complete')).toMatchObject({ state: 'holds' });
  });

  it('is generated with the same ends, and what moved between accounts of equity alone stands on a line of its own', async () => {
    const { id, path } = await bringInEquityExample(server);
    const shown = figures(await statement(server, id, 'changes-in-equity', '2027-01-01', '2027-12-31', '&compare=none'), 100n);
    expect(shown).toEqual([
      ['Balance at the beginning', 600_000, 161_700, 2_400, 17_600, -400, 1_600, 782_900],
      ['Profit for the period', 0, 97_000, 0, 0, 0, 0, 97_000],
      ['Contributions and other increases', 50_000, 0, 3_200, 0, 0, 800, 54_000],
      ['Distributions and other decreases', 0, -15_400, 0, -14_400, -400, 0, -30_200],
      ['Transfers within equity', 0, 200, 0, 0, 0, -200, 0],
      ['Balance at the end', 650_000, 243_500, 5_600, 3_200, -800, 2_200, 903_700],
    ]);
    // Across a year end the profit of the year before stands with the earnings it was carried to.
    const over = figures(await statement(server, id, 'changes-in-equity', '2027-07-01', '2028-03-31', '&compare=none'), 100n);
    expect(over[0]?.at(-1)).toBe(782_900 + 50_000 - 15_000);
    expect(over.at(-1)).toEqual(['Balance at the end', 650_000, 243_500, 5_600, 3_200, -800, 2_200, 903_700]);
    expect(await proofOf(path, '2027-07-01', '2028-03-31')).toMatchObject({ state: 'holds', difference: '0' });
  });

  it('is generated as published where categories bear other comprehensive income, each gain and loss once', async () => {
    const { id, path, idOf } = await bringInEquityExample(server);
    const { categories } = await server.ok<PlacementView>('GET', `${path}/placement?from=2027-01-01&to=2027-12-31`);
    const of = (name: string) => categories.find((category) => category.name === name);
    const remeasured = await server.ok<{ id: number }>('POST', `${path}/categories`, {
      parentId: of('Retained earnings')?.id,
      element: 'equity',
      name: 'Remeasurements',
      nature: 'oci',
    });
    await server.ok('PUT', `${path}/places`, {
      changes: [
        {
          accountId: idOf('3120'),
          before: [{ side: 'any', categoryId: of('Retained earnings')?.id }],
          after: [{ side: 'any', categoryId: remeasured.id }],
        },
      ],
    });
    for (const name of ['Translation', 'Investments', 'Hedges', 'Revaluation'])
      await server.ok('PATCH', `${path}/categories/${of(name)?.id}`, { version: of(name)?.version, nature: 'oci' });
    const shown = figures(await statement(server, id, 'changes-in-equity', '2027-01-01', '2027-12-31', '&compare=none'), 100n);
    const published = new Map(publishedEquity.map(([caption, ...amounts]) => [caption, amounts]));
    expect(shown).toEqual([
      ['Balance at the beginning', ...(published.get('Balance at 1 January 20X7') ?? [])],
      ['Profit for the period', 0, 97_000, 0, 0, 0, 0, 97_000],
      ['Other comprehensive income', 0, -400, 3_200, -14_400, -400, 800, -11_200],
      ['Total comprehensive income', ...(published.get('Total comprehensive income for the year') ?? [])],
      ['Contributions and other increases', ...(published.get('Issue of share capital') ?? [])],
      ['Distributions and other decreases', ...(published.get('Dividends') ?? [])],
      ['Transfers within equity', ...(published.get('Transfer to retained earnings') ?? [])],
      ['Balance at the end', ...(published.get('Balance at 31 December 20X7') ?? [])],
    ]);
    expect(await proofOf(path, '2027-01-01', '2027-12-31')).toMatchObject({ state: 'holds', difference: '0' });
    for (const more of ['', '&scale=thousands']) await recomputeStatement(server, id, 'changes-in-equity', `from=2027-01-01&to=2027-12-31${more}`);
    // It moves no cash, and the cash flow ties all the same.
    const { accounts } = await server.ok<{ accounts: { id: number; number: string; version: number }[] }>('GET', `${path}/chart?from=2027-01-01&to=2027-12-31`);
    const bank = accounts.find(({ number }) => number === '1000');
    await server.ok('PATCH', `${path}/accounts/${bank?.id}`, { version: bank?.version, role: 'cash' });
    const { proofs } = await server.ok<ProofList>('GET', `${path}/proofs?from=2027-01-01&to=2027-12-31`);
    for (const proof of ['coverage', 'cash_ties']) expect([proof, proofs.find(({ name }) => name === proof)?.state]).toEqual([proof, 'holds']);
  });

  it('has the same figures in a workbook whose formulas are computed anew', async () => {
    const { id } = await bringInEquityExample(server);
    const exact = await recomputeStatement(server, id, 'changes-in-equity', 'from=2027-01-01&to=2027-12-31');
    // Each column's end is a sum, but in the year in which balances began.
    expect(exact.formulas).toBe(exact.shown.columns.filter((column) => column.kind === 'amount' && column.began === undefined).length);
    expect(exact.formulas).toBe(7);
    const scaled = await recomputeStatement(server, id, 'changes-in-equity', 'from=2027-01-01&to=2027-12-31&scale=thousands');
    expect(scaled.shown.scale).toBe('thousands');
  });
});

describe('changes in equity', () => {
  async function opened() {
    const shop = await openShop(server);
    const post = async (date: string, lines: Readonly<Record<string, number>>): Promise<PostedEntryBody> =>
      server.ok('POST', `${shop.path}/entries`, {
        date,
        lines: await Promise.all(
          Object.entries(lines).map(async ([number, amount]) => ({
            accountId: (await shop.find(number)).id,
            debit: amount > 0 ? String(amount) : '0',
            credit: amount < 0 ? String(-amount) : '0',
          })),
        ),
      });
    const shown = async (from: string, to: string) =>
      Object.fromEntries(
        figures(await statement(server, shop.id, 'changes-in-equity', from, to, '&compare=none')).map(([caption, ...values]) => [caption, values]),
      );
    return { ...shop, post, shown };
  }

  it('count a reversal against what it reverses, in the direction and in transfers', async () => {
    const { path, post, shown } = await opened();
    await post('2026-10-05', { 1000: 5_000, 3000: -5_000 });
    const wrong = await post('2026-10-06', { 1000: 900, 3000: -900 });
    await server.ok('POST', `${path}/entries/${wrong.entryId}/reversal`, { date: '2026-10-07' });
    await post('2026-10-20', { 3100: 3_000, 3200: -3_000 });
    const slip = await post('2026-10-21', { 3100: 700, 3200: -700 });
    await server.ok('POST', `${path}/entries/${slip.entryId}/reversal`, { date: '2026-10-22' });
    expect(await shown('2026-10-01', '2026-10-31')).toMatchObject({
      'Contributions and other increases': [5_000, 0, 0, 5_000],
      'Transfers within equity': [0, 3_000, -3_000, 0],
    });
    expect((await shown('2026-10-01', '2026-10-31'))['Distributions and other decreases']).toBeUndefined();
    expect(await proofOf(path, '2026-10-01', '2026-10-31')).toMatchObject({ state: 'holds' });
  });

  it('open to the accounts of their column alone, and a set ties them to its balance sheet', async () => {
    const { path, post } = await opened();
    await post('2026-10-05', { 1000: 5_000, 3000: -5_000 });
    const query = 'from=2026-10-01&to=2026-10-31&compare=none';
    const evidence = await server.ok<EvidenceBody>('GET', `${path}/statements/changes-in-equity/evidence?${query}&line=closing&column=2`);
    expect(evidence.accounts.map(({ number }) => number)).toEqual(['4000', '6200', '3100', '6300']);
    const part = (statement: 'balance-sheet' | 'changes-in-equity') => ({
      key: statement.replaceAll('-', '_'),
      statement,
      title: '',
      columns: null,
      detail: 2,
      zeroLines: false,
    });
    const set = await server.ok<StatementSetBody>('POST', `${path}/sets`, {
      name: 'Equity',
      definition: { parts: [part('balance-sheet'), part('changes-in-equity')], scale: { unit: 'units', rounding: 'footed' }, language: null },
    });
    const ran = await server.ok<RanSet>('GET', `${path}/sets/${set.id}/statements?${query}`);
    const equity = ran.proofs.find(({ name }) => name === 'equity');
    expect(equity?.state).toBe('holds');
    expect(equity?.ties.map(({ figures: told }) => told.map(({ name, part: key, net }) => [name, key, net]))).toEqual([
      [
        ['equity_opening', 'balance_sheet', '-90000'],
        ['equity_changes', 'changes_in_equity', '-5000'],
        ['equity_closing', 'balance_sheet', '-95000'],
        ['equity_by_columns', 'changes_in_equity', '-5000'],
      ],
    ]);
  });

  it('are tied column by column where categories repeat twice over the same days, with adjustments and without', async () => {
    const { path, post } = await opened();
    await post('2026-10-05', { 1000: 5_000, 3000: -5_000 });
    const repeated = { ...newPlanColumn('amounts', 'all'), repeat: 'equity' };
    const plan = await server.ok<{ id: number }>('POST', `${path}/column-plans`, {
      name: 'With and without',
      definition: { columns: [repeated, { ...repeated, key: 'ledger', withoutAdjustments: true }] },
    });
    const columns = { plan: 'composed', planId: plan.id };
    const part = { key: 'equity', statement: 'changes-in-equity', title: '', columns, detail: 2, zeroLines: false };
    const set = await server.ok<StatementSetBody>('POST', `${path}/sets`, {
      name: 'Twice',
      definition: { parts: [part], scale: { unit: 'units', rounding: 'footed' }, language: null },
    });
    const ran = await server.ok<RanSet>('GET', `${path}/sets/${set.id}/statements?from=2026-10-01&to=2026-10-31&compare=none`);
    const equity = ran.proofs.find(({ name }) => name === 'equity');
    const byColumns = equity?.ties.map(({ figures: told }) => told.find(({ name }) => name === 'equity_by_columns')?.net);
    expect([equity?.state, byColumns]).toEqual(['holds', ['-5000', '-5000']]);
  });

  it('fail by the amount of an account of equity that stands in no category, and are shown in whole all the same', async () => {
    const { path, post, add, shown } = await opened();
    await add({ number: '3900', element: 'equity', name: 'Unplaced reserve' });
    await post('2026-10-05', { 1000: 4_000, 3900: -4_000 });
    expect((await shown('2026-10-01', '2026-10-31'))['Balance at the end']).toEqual([50_000, 0, 40_000, 94_000]);
    expect(await proofOf(path, '2026-10-01', '2026-10-31')).toMatchObject({ state: 'fails', difference: '-4000' });
  });

  it('repeat over categories of equity in a composed plan, which no other layout takes', async () => {
    const { id, path } = await opened();
    const columns = [{ ...newPlanColumn('amounts', 'each'), repeat: 'equity' }];
    const asked = `from=2026-01-01&to=2026-09-30&plan=composed&definition=${encodeURIComponent(JSON.stringify({ columns }))}`;
    const body = await server.ok<StatementBody>('GET', `${path}/statements/changes-in-equity?${asked}`);
    expect(body.columns.map(({ heading }) => heading)).toEqual(['Share capital', 'Reserves', 'Retained earnings', 'Total equity']);
    const refused = await server.refused('GET', `/companies/${id}/statements/cash-flow?${asked}`);
    expect(refused).toMatchObject({ code: 'plan_unfit', facts: { fault: { code: 'column_needs_equity' } } });
  });
});
