import type {
  CodeLists,
  EvidenceBody,
  LayoutDetail,
  LayoutList,
  LayoutRead,
  OwnLayoutBody,
  PlacementView,
  ProofList,
  StatementBody,
} from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { line, openLayoutShop } from '../support/layoutShop.ts';
import { recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

const span = 'from=2026-01-01&to=2026-09-30';
const open = () => openLayoutShop(server);
const told = (body: StatementBody) => body.rows.map(({ role, caption, values }) => [role, caption, ...values]);

describe('a layout begun as the trial balance by category', () => {
  it('holds every account, follows the categories, and comes to nil; it runs with the columns that it names', async () => {
    const shop = await openLayoutShop(server);
    const begun = await shop.begin('Trial balance by category', 'trial_balance');
    const used = await shop.use(await shop.save(begun, { ...begun.definition, columns: { plan: 'quarters' } }));
    const quarters = await shop.run(used.id);
    expect([quarters.plan, quarters.columns.length]).toEqual([{ plan: 'quarters', planId: null }, 3]);
    const asked = await shop.run(used.id, '&plan=comparison&compare=none');
    const shown = Object.fromEntries(figures(asked).map(([caption, first]) => [caption, first]));
    expect(shown).toMatchObject({
      'Cash and cash equivalents': 90000,
      Revenue: 60000,
      'Other operating expenses': 40000,
      'Total trial balance by category': 0,
    });
    const { proofs } = await server.ok<ProofList>('GET', `${shop.path}/proofs?from=2026-01-01&to=2026-09-30`);
    expect(proofs.find(({ name }) => name === 'layouts_complete')).toMatchObject({ state: 'holds' });
    // It is there without being composed too, and opens to its accounts.
    const generated = await statement(server, shop.id, 'trial-balance', '2026-01-01', '2026-09-30', '&compare=none');
    expect([generated.layoutId, told(generated)]).toEqual([null, told(asked)]);
    const opened = await server.ok<EvidenceBody>('GET', `${shop.path}/statements/trial-balance/evidence?${span}&line=income`);
    expect([opened.amount, opened.accounts.map(({ number }) => number)]).toEqual(['60000', ['4000']]);
    for (const more of ['', '&scale=thousands&detail=accounts']) await recomputeStatement(server, shop.id, 'trial-balance', `${span}${more}`);
  });
});

describe('a composed layout', () => {
  it('begun from a generated one is run as that once it is put in use, and follows when the categories change', async () => {
    const shop = await open();
    for (const [from, kind] of [
      ['balance_sheet', 'balance-sheet'],
      ['income_statement', 'income-statement'],
    ] as const) {
      const begun = await shop.begin(`Own ${from}`, from);
      expect((await server.refused('GET', `${shop.path}/statements/layout-${begun.id}?${span}`)).code).toBe('layout_not_in_use');
      await shop.use(begun);
      expect(told(await shop.run(begun.id, '&detail=9'))).toEqual(told(await statement(server, shop.id, kind, '2026-01-01', '2026-09-30', '&detail=9')));
    }
    await shop.add({ number: '6250', name: 'Repairs' });
    const { layouts } = await server.ok<LayoutList>('GET', shop.layouts);
    expect(layouts.map(({ name, inUse, hasDraft }) => [name, inUse, hasDraft])).toEqual([
      ['Own balance_sheet', 1, false],
      ['Own income_statement', 1, false],
    ]);
    expect(told(await shop.run(layouts[1]?.id ?? 0))).toEqual(told(await statement(server, shop.id, 'income-statement', '2026-01-01', '2026-09-30')));
  });

  it('has a draft beside the version that runs, keeps old versions, and tells of a draft that somebody else saved meanwhile', async () => {
    const shop = await open();
    const begun = await shop.begin('For the bank', 'balance_sheet');
    const used = await shop.use(begun, 'first');
    const changed = { ...used.definition, title: 'Balance sheet for the bank' };
    const drafted = await shop.save(used, changed);
    expect([drafted.hasDraft, drafted.definition.title, drafted.used?.title]).toEqual([true, 'Balance sheet for the bank', 'For the bank']);
    expect((await shop.run(begun.id)).title).toBe('For the bank');
    expect(await server.refused('PUT', `${shop.layouts}/${begun.id}/draft`, { version: used.version, definition: changed })).toMatchObject({
      code: 'version_conflict',
    });
    const second = await shop.use(drafted, 'for the loan');
    expect([second.inUse, second.hasDraft, second.versions.map(({ number, reason }) => [number, reason])]).toEqual([
      2,
      false,
      [
        [2, 'for the loan'],
        [1, 'first'],
      ],
    ]);
    expect((await shop.run(begun.id)).title).toBe('Balance sheet for the bank');
    expect((await server.ok<{ definition: OwnLayoutBody }>('GET', `${shop.layouts}/${begun.id}/versions/1`)).definition).toEqual(used.definition);
    expect((await server.refused('POST', `${shop.layouts}/${begun.id}/use`, { version: second.version })).code).toBe('layout_without_draft');
    const dropped = await shop.save(await shop.save(second, changed), null);
    expect([dropped.hasDraft, dropped.definition]).toEqual([false, second.definition]);
    expect(await server.refused('DELETE', `${shop.layouts}/${begun.id}?version=${used.version}`)).toMatchObject({ status: 409, code: 'version_conflict' });
    await server.ok('DELETE', `${shop.layouts}/${begun.id}?version=${dropped.version}`);
    expect((await server.refused('GET', `${shop.layouts}/${begun.id}`)).code).toBe('not_found');
  });

  it('that lacks an account is named by a proof, until the account stands in it or is left out with a reason', async () => {
    const shop = await open();
    const begun = await shop.begin('Costs', 'nothing');
    const costs = line({ ...newLine('accounts', 'costs', 'Costs'), sources: [{ kind: 'numbers', text: '6200' }] });
    const used = await shop.use(await shop.save(begun, { ...begun.definition, scope: ['expense'], lines: [costs] }));
    const proof = async () => (await server.ok<ProofList>('GET', `${shop.path}/proofs?${span}`)).proofs.find(({ name }) => name === 'layouts_complete');
    expect(await proof()).toMatchObject({
      state: 'to_look_at',
      difference: '10000',
      accounts: [{ number: '6300', reason: 'in_layout unplaced Costs', net: '10000' }],
    });
    const travel = await shop.find('6300');
    await server.ok('PUT', `${shop.path}/coverage-exclusions`, { scope: `layout:${begun.id}`, accountIds: [travel.id], reason: 'On another page' });
    expect(await proof()).toMatchObject({ state: 'holds', accounts: [] });
    await server.ok('PUT', `${shop.path}/coverage-exclusions`, {
      scope: `layout:${begun.id}`,
      accountIds: [travel.id],
      reason: null,
      before: 'On another page',
    });
    const wider = { ...used.definition, lines: [line({ ...newLine('accounts', 'costs', 'Costs'), sources: [{ kind: 'numbers', text: '62* , 63*' }] })] };
    await shop.use(await shop.save(used, wider));
    expect(await proof()).toMatchObject({ state: 'holds' });
    expect((await server.refused('PUT', `${shop.path}/coverage-exclusions`, { scope: 'layout:999999', accountIds: [travel.id], reason: 'x' })).code).toBe(
      'not_found',
    );
  });

  it('is not kept with a key twice, nor put in use with a formula that names what is not there', async () => {
    const shop = await open();
    const begun = await shop.begin('Indicators', 'nothing');
    const twice = [newLine('text', 'a', 'A'), newLine('text', 'a', 'B')].map(line);
    expect(
      await server.refused('PUT', `${shop.layouts}/${begun.id}/draft`, { version: begun.version, definition: { ...begun.definition, lines: twice } }),
    ).toMatchObject({
      code: 'layout_key_twice',
      facts: { line: 'a' },
    });
    const wrong = await shop.save(begun, { ...begun.definition, lines: [line({ ...newLine('calculation', 'ratio', 'Ratio'), formula: 'gone / 2' })] });
    expect(await server.refused('POST', `${shop.layouts}/${begun.id}/use`, { version: wrong.version })).toMatchObject({
      code: 'layout_unsound',
      facts: { lines: ['ratio'] },
    });
    expect((await server.refused('POST', shop.layouts, { name: 'indicators', from: 'nothing' })).code).toBe('layout_name_taken');
  });

  it('with lines of every kind: each figure opens to its parts, and the workbook recomputes to what is shown', async () => {
    const shop = await open();
    const begun = await shop.begin('Every kind', 'nothing');
    const [bank] = [await shop.find('1000')];
    const from = (text: string) => [{ kind: 'numbers' as const, text }];
    const lines = [
      newLine('text', 'words', 'What a bank asks for'),
      {
        ...newLine('heading', 'part', 'Result'),
        children: [
          { ...newLine('accounts', 'sales', 'Sales'), sources: from('4*') },
          {
            ...newLine('group', 'costs', 'Costs'),
            side: 'debit',
            children: [{ ...newLine('accounts', 'each', 'Each cost'), sources: from('6000 to 6999'), byAccount: true }],
          },
          {
            ...newLine('sum', 'margin', 'Margin'),
            terms: [
              { key: 'sales', sign: 1 },
              { key: 'costs', sign: -1 },
            ],
          },
        ],
      },
      newLine('space', 'gap', ''),
      { ...newLine('memo', 'bank', 'Bank at the end'), sources: [{ kind: 'account', accountId: bank.id }], measure: 'closing' },
      { ...newLine('memo', 'bank_mean', 'Bank, mean'), sources: [{ kind: 'account', accountId: bank.id }], measure: 'mean', shown: 'never' },
      { ...newLine('calculation', 'share', 'Costs of sales'), formula: 'costs / sales', result: 'percent', reversed: true },
      { ...newLine('calculation', 'third', 'A third of it'), formula: 'if(margin > 0 and sales >= 0, max(margin, 0) / 3, -abs(margin))' },
      { ...newLine('calculation', 'sixth', 'Half of that'), formula: 'third / 2 + sum(sales to costs) * 0' },
      { ...newLine('calculation', 'reach', 'Days of cost in the bank'), formula: 'bank / costs * days', result: 'days' },
      { ...newLine('calculation', 'times', 'Costs for the mean'), formula: 'costs / bank_mean', result: 'ratio' },
      { ...newLine('calculation', 'nothing', 'By nothing'), formula: 'sales / (margin - margin)', result: 'ratio' },
      { ...newLine('result', 'result', 'Profit'), look: { weight: 'strong', indent: 1, spaceBefore: true, breakBefore: false } },
      { ...newLine('remainder', 'rest', 'All else'), elements: ['income', 'expense'] },
    ].map(line);
    await shop.use(await shop.save(begun, { ...begun.definition, scope: ['income', 'expense'], lines }));
    const body = await shop.run(begun.id);
    expect(figures(body).map(([caption, first]) => [caption, first])).toEqual([
      ['What a bank asks for', null],
      ['Sales', 60000],
      ['Each cost', 40000],
      ['6200 Insurance', 30000],
      ['6300 Travel', 10000],
      ['Total costs', 40000],
      ['Margin', 20000],
      ['', null],
      ['Bank at the end', 90000],
      ['Costs of sales', -667],
      ['A third of it', 6667],
      ['Half of that', 3334],
      ['Days of cost in the bank', 614],
      // Of a mean of what nobody knows: the first balances are those of the span's last day.
      ['Costs for the mean', null],
      ['By nothing', null],
      ['Profit', 20000],
    ]);
    expect(body.rows.find(({ caption }) => caption === 'By nothing')?.faults?.[0]).toMatchObject({ code: 'divided_by_zero' });
    for (const row of body.rows.filter(({ role }) => role === 'line' || role === 'total')) {
      const evidence = await server.ok<EvidenceBody>('GET', `${shop.path}/statements/layout-${begun.id}/evidence?${span}&line=${row.lineKey}`);
      expect([row.caption, evidence.amount]).toEqual([row.caption, row.values[0]]);
      const sum = [...evidence.accounts, ...evidence.carried].reduce((total, { net }) => total + BigInt(net), 0n);
      if (evidence.formula) expect(evidence.formula.operands.length).toBeGreaterThan(0);
      else expect([sum, -sum], row.caption).toContain(BigInt(evidence.amount ?? ''));
    }
    const share = await server.ok<EvidenceBody>('GET', `${shop.path}/statements/layout-${begun.id}/evidence?${span}&line=share`);
    expect(share).toMatchObject({
      unit: 'percent',
      amount: '-667',
      formula: {
        text: 'Total costs ÷ Sales',
        operands: [
          { key: 'costs', amount: '40000' },
          { key: 'sales', amount: '60000' },
        ],
      },
    });
    const { formulas } = await recomputeStatement(server, shop.id, `layout-${begun.id}`, span);
    expect(formulas).toBeGreaterThan(20);
    await recomputeStatement(server, shop.id, `layout-${begun.id}`, `${span}&plan=quarters`);
    const csv = Buffer.from(await server.bytes(`/companies/${shop.id}/statements/layout-${begun.id}/csv?${span}`)).toString();
    expect(csv.split('\r\n').slice(5)).toContain('Costs of sales,-66.7,,,');
  });
});

describe('a layout file', () => {
  it('runs for the boatyard what was composed for the ferry company, by report codes alone', async () => {
    const demo = await TestServer.start({ demo: true });
    try {
      const [ferry, yard] = [await demo.companyId(), await demo.companyId('Eiderholm Boatyard')];
      const { lists } = await demo.ok<CodeLists>('GET', `/companies/${ferry}/code-lists`);
      const group = lists.find(({ name }) => name === 'Group reporting');
      const coded = (code: string, caption: string, more = {}) =>
        line({ ...newLine('accounts', code.toLowerCase(), caption), sources: [{ kind: 'code', list: group?.key, code, begins: true }], ...more });
      const sum = (key: string, caption: string, terms: readonly string[]) =>
        line({ ...newLine('sum', key, caption), side: 'credit', terms: terms.map((term) => ({ key: term, sign: term < 'g6' ? 1 : -1 })) });
      const begun = await demo.ok<LayoutDetail>('POST', `/companies/${ferry}/layouts`, { name: 'Group income statement', from: 'income_statement' });
      const lines = [
        coded('G51', 'Revenue from customers'),
        coded('G52', 'Other income'),
        coded('G61', 'Cost of the work', { reversed: true }),
        coded('G62', 'Operating costs ashore', { reversed: true }),
        coded('G63', 'Depreciation and amortisation', { reversed: true }),
        sum('operating', 'Operating profit', ['g51', 'g52', 'g61', 'g62', 'g63']),
        coded('G53', 'Interest received'),
        coded('G64', 'Finance costs', { reversed: true }),
        coded('G65', 'Income tax', { reversed: true }),
        sum('profit', 'Profit for the period', ['g51', 'g52', 'g53', 'g61', 'g62', 'g63', 'g64', 'g65']),
      ];
      const drafted = await demo.ok<LayoutDetail>('PUT', `/companies/${ferry}/layouts/${begun.id}/draft`, {
        version: begun.version,
        definition: { ...begun.definition, lines },
      });
      const file = await demo.ok<object>('GET', `/companies/${ferry}/layouts/${drafted.id}/file`);
      const { layout, missing } = await demo.ok<LayoutRead>('POST', `/companies/${yard}/layout-files`, file);
      expect([layout.name, missing]).toEqual(['Group income statement', []]);
      await demo.ok('POST', `/companies/${yard}/layouts/${layout.id}/use`, { version: layout.version });
      const own = await demo.ok<StatementBody>('GET', `/companies/${yard}/statements/layout-${layout.id}?${span}`);
      const generated = await statement(demo, yard, 'income-statement', '2026-01-01', '2026-09-30');
      const profit = (body: StatementBody) => body.rows.find(({ caption }) => caption === 'Profit for the period')?.values;
      expect(profit(own)).toEqual(profit(generated));
      expect(own.rows.filter(({ role, values }) => role === 'line' && values[0] !== '0').map(({ caption }) => caption)).toEqual([
        'Revenue from customers',
        'Cost of the work',
        'Operating costs ashore',
        'Depreciation and amortisation',
        'Finance costs',
        'Income tax',
      ]);
    } finally {
      await demo.stop();
    }
  });

  it('tells what the other chart lacks, and carries what has the same name', async () => {
    const [from, to] = [await open(), await open()];
    const categories = async (shop: typeof from) => (await server.ok<PlacementView>('GET', `${shop.path}/placement?${span}`)).categories;
    const revenue = (await categories(from)).find(({ name }) => name === 'Revenue');
    const bank = await from.find('1000');
    await from.add({ number: '6900', name: 'Only here' });
    const only = await from.find('6900');
    const begun = await from.begin('Carried', 'nothing');
    const sources = [
      { kind: 'category', categoryId: revenue?.id },
      { kind: 'account', accountId: bank.id },
      { kind: 'account', accountId: only.id },
      { kind: 'numbers', text: '62*' },
    ];
    const drafted = await from.save(begun, { ...begun.definition, lines: [line({ ...newLine('accounts', 'all', 'All'), sources })] });
    const file = await server.ok<object>('GET', `${from.layouts}/${drafted.id}/file`);
    const { layout, missing } = await server.ok<LayoutRead>('POST', `${to.path}/layout-files`, file);
    expect(missing).toEqual([{ line: 'all', thing: 'account', name: '6900 Only here' }]);
    const theirs = (await categories(to)).find(({ name }) => name === 'Revenue');
    expect(layout.definition.lines).toMatchObject([
      {
        sources: [
          { kind: 'category', categoryId: theirs?.id },
          { kind: 'account', accountId: (await to.find('1000')).id },
          { kind: 'numbers', text: '62*' },
        ],
      },
    ]);
    expect((await server.ok<LayoutRead>('POST', `${to.path}/layout-files`, file)).layout.name).toBe('Carried (2)');
    expect((await server.refused('POST', `${to.path}/layout-files`, { format: 'something' })).code).toBe('request_invalid');
  });
});
