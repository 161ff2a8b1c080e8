import type {
  AccountLines,
  BudgetList,
  CodeLists,
  ColumnPlanBody,
  ColumnPlanList,
  EvidenceBody,
  LayoutDetail,
  OwnLayoutBody,
  PlanColumnBody,
  StatementBody,
} from '@ivory-ladder/contract';
import {
  type AmountsPlanColumn,
  type NumberFormat,
  newPlanColumn,
  ownPeriod,
  type PlanColumn,
  type PlanDefinition,
  usualPlans,
  usualPlansOf,
} from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { firstRow, recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
let id: number;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  id = await server.companyId();
});
afterAll(() => server.stop());

const span = ['2026-01-01', '2026-09-30'] as const;
const query = `from=${span[0]}&to=${span[1]}`;
const amounts = (key: string, more: Partial<AmountsPlanColumn> = {}): PlanColumn => ({ ...(newPlanColumn('amounts', key) as AmountsPlanColumn), ...more });
const asked = (definition: PlanDefinition) => `&plan=composed&definition=${encodeURIComponent(JSON.stringify(definition))}`;
type Kind = Parameters<typeof statement>[2];
const run = (kind: Kind, columns: readonly PlanColumn[], more = '') => statement(server, id, kind, ...span, `${asked({ columns })}${more}`);
const row = (body: StatementBody, caption: string) =>
  figures(body)
    .find(([name]) => name === caption)
    ?.slice(1) ?? [];

describe('a calculation over columns', () => {
  const now = amounts('now');
  const before = amounts('before', { period: { ...ownPeriod, moved: { by: -1, unit: 'years' } } });
  const calculating = (key: string, formula: string, result: 'amount' | 'ratio' | 'percent', more = {}): PlanColumn => ({
    ...(newPlanColumn('calculation', key) as Extract<PlanColumn, { kind: 'calculation' }>),
    formula,
    result,
    ...more,
  });
  const plan = [
    now,
    before,
    calculating('mean', '(2 * now + before) / 3', 'amount', { heading: 'Mean', width: 'wide' }),
    calculating('part', 'now / before', 'percent'),
    calculating('times', 'now / max(before, 1)', 'ratio'),
  ];

  it('is of what each row shows in them, with its formula over them where it has no heading', async () => {
    const shown = await run('income-statement', plan);
    expect(shown.columns.slice(2)).toMatchObject([
      { kind: 'calculation', heading: 'Mean', width: 'wide', result: 'amount' },
      { kind: 'calculation', text: 'now / before', result: 'percent' },
      { kind: 'calculation', result: 'ratio' },
    ]);
    const [current = 0, earlier = 0, mean, part, times] = row(shown, 'Profit for the period').map(Number);
    expect([mean, part, times]).toEqual([
      Math.round((2 * current + earlier) / 3),
      Math.round((current / earlier) * 1000),
      Math.round((current / earlier) * 100),
    ]);
  });

  it('is recomputed from its workbook, exact and in thousands', async () => {
    for (const more of ['', '&scale=thousands', '&scale=thousands&rounding=independent'])
      await recomputeStatement(server, id, 'income-statement', `${query}${asked({ columns: plan })}${more}`);
  });

  it('that cannot be read, or names no column of amounts, is refused with its place', async () => {
    const refused = async (formula: string) =>
      (await server.refused('GET', `/companies/${id}/statements/income-statement?${query}${asked({ columns: [now, calculating('x', formula, 'amount')] })}`))
        .facts;
    expect(await refused('now +')).toMatchObject({ fault: { code: 'column_formula', column: 'x', fault: { code: 'formula_malformed' } } });
    expect(await refused('now + later')).toMatchObject({ fault: { fault: { code: 'formula_line_unknown', named: 'later', at: 6 } } });
  });
});

describe('a statement with a composed column plan', () => {
  it('has in each column what a statement of these dates and values alone has', async () => {
    const lists = await server.ok<{ lists: { key: `facet:${number}`; name: string; codes: { code: string; parent: string | null }[] }[] }>(
      'GET',
      `/companies/${id}/code-lists`,
    );
    const vessel = lists.lists.find(({ name }) => name === 'Vessel');
    if (!vessel) throw new Error('the demo has vessels');
    const [first] = vessel.codes.filter(({ parent }) => parent === null);
    const shown = await run('income-statement', [
      amounts('quarter', { period: { ...ownPeriod, base: 'quarter_to_date' } }),
      newPlanColumn('text', 'remarks'),
      amounts('before', { period: { ...ownPeriod, base: 'year_to_date', moved: { by: -1, unit: 'years' } } }),
      amounts('vessel', { facets: { [vessel.key]: [first?.code ?? ''] } }),
      newPlanColumn('change', 'change', 'quarter', 'before'),
    ]);
    const alone = async (from: string, to: string, more = '') =>
      row(await statement(server, id, 'income-statement', from, to, `&compare=none${more}`), 'Profit for the period')[0];
    const [quarter, before] = [await alone('2026-07-01', '2026-09-30'), await alone('2025-01-01', '2025-09-30')];
    const ofVessel = await alone(...span, `&facets=${encodeURIComponent(JSON.stringify({ [vessel.key]: [first?.code] }))}`);
    expect(row(shown, 'Profit for the period')).toEqual([quarter, null, before, ofVessel, Number(quarter) - Number(before)]);
    expect(new Set([quarter, before, ofVessel]).size).toBe(3);
  });

  it('adds up over the values of a facet and lines without one, and leads from opening over movement to closing', async () => {
    const { lists } = await server.ok<{ lists: { key: `facet:${number}`; name: string }[] }>('GET', `/companies/${id}/code-lists`);
    const route = lists.find(({ name }) => name === 'Route')?.key ?? 'facet:0';
    const byRoute = await run('income-statement', [amounts('routes', { repeat: route })]);
    for (const [caption, ...values] of figures(byRoute))
      expect(
        values.slice(0, -1).reduce<number>((sum, value) => sum + Number(value), 0),
        caption,
      ).toBe(values.at(-1));
    expect(byRoute.columns.length).toBeGreaterThan(3);
    const ends = usualPlans.find(({ name }) => name.startsWith('Opening'));
    const balances = await run('balance-sheet', ends?.definition.columns ?? [], '&detail=accounts');
    for (const { caption, accountId, values } of balances.rows)
      if (accountId !== null) expect(Number(values[0]) + Number(values[1]), caption).toBe(Number(values[2]));
  });

  it('shows shares of a line in percent, the whole as 100', async () => {
    const { rows } = await run('income-statement', [amounts('now')]);
    const line = rows.find(({ caption }) => caption === 'Total revenue')?.key ?? '';
    const share: PlanColumn = { key: 'part', heading: 'Of revenue', group: '', kind: 'share', of: 'now', line };
    const shown = await run('income-statement', [amounts('now'), share]);
    const [revenue, whole] = row(shown, 'Total revenue');
    const [profit, part] = row(shown, 'Profit for the period');
    expect([whole, part]).toEqual([1000, Math.round((Number(profit) * 1000) / Number(revenue))]);
    // A layout without the line has nothing to be a part of.
    expect(row(await run('balance-sheet', [amounts('now'), share]), 'Total assets')[1]).toBeNull();
  });

  it('may leave adjustments out, and takes a budget beside what was posted', async () => {
    const { budgets } = await server.ok<{ budgets: { id: number; year: number; name: string }[] }>('GET', `/companies/${id}/budgets`);
    const budget = budgets.find(({ year }) => year === 2026);
    const shown = await run('income-statement', [
      amounts('all'),
      amounts('ledger', { withoutAdjustments: true }),
      amounts('planned', { budgetId: budget?.id ?? 0 }),
    ]);
    // The demo has one adjustment of income within the span: season passes sailed in September.
    expect(Number(row(shown, 'Total revenue')[0]) - Number(row(shown, 'Total revenue')[1])).toBe(6_100_000);
    const opened = async (column: number, account?: number): Promise<EvidenceBody> =>
      server.ok(
        'GET',
        `/companies/${id}/statements/income-statement/evidence?${query}${asked({ columns: [amounts('all'), amounts('ledger', { withoutAdjustments: true })] })}&line=${
          shown.rows.find(({ caption }) => caption === 'Total revenue')?.lineKey
        }&column=${column}${account === undefined ? '' : `&account=${account}`}`,
      );
    const [both, ledgerAlone] = [await opened(0), await opened(1)];
    const adjusted = both.accounts.filter(({ accountId, net }) => ledgerAlone.accounts.find((one) => one.accountId === accountId)?.net !== net);
    expect(adjusted).toHaveLength(1);
    const account = adjusted[0]?.accountId ?? 0;
    for (const [column, more, layer] of [
      [0, '', null],
      [1, '&layer=ledger', 'ledger'],
    ] as const) {
      const told = await opened(column, account);
      const { lines, total } = await server.ok<AccountLines>('GET', `/companies/${id}/lines?account=${account}&from=${span[0]}&to=${span[1]}&limit=500${more}`);
      expect([told.layer, told.entryCount, total]).toEqual([layer, lines.length, lines.length]);
      // Debit positive, as the entries add up to it; what the year has brought after the latest is the same.
      const net = lines.reduce((sum, { debit, credit }) => sum + BigInt(debit) - BigInt(credit), 0n).toString();
      expect([told.accounts[0]?.net, lines[0]?.balance]).toEqual([net, net]);
    }
    const against = await statement(server, id, 'income-statement', ...span, `&plan=budget&budget=${budget?.id}`);
    expect(row(shown, 'Profit for the period')[2]).toBe(row(against, 'Profit for the period')[1]);
    expect(shown.columns[2]).toMatchObject({ budget: budget?.name });
  });

  it('says which column makes no sense for a layout', async () => {
    const refused = (kind: string, columns: readonly PlanColumn[]) =>
      server.refused('GET', `/companies/${id}/statements/${kind}?${query}${asked({ columns })}`);
    expect(await refused('cash-flow', [amounts('now'), amounts('balance', { measure: 'closing' })])).toMatchObject({
      code: 'plan_unfit',
      facts: { fault: { code: 'column_needs_movement', column: 'balance' } },
    });
    expect(await refused('income-statement', [amounts('now'), newPlanColumn('change', 'change', 'now', 'gone')])).toMatchObject({
      facts: { fault: { code: 'column_unknown', column: 'change', named: 'gone' } },
    });
    expect((await server.refused('GET', `/companies/${id}/statements/balance-sheet?${query}&plan=composed&definition=%7B`)).code).toBe('request_invalid');
  });

  it('opens a figure to what it is made of, in the dates and values of its column', async () => {
    const definition = { columns: [newPlanColumn('text', 'remarks'), amounts('before', { measure: 'opening' }), amounts('moved', { measure: 'movement' })] };
    const evidence = (column: number) =>
      server.ok<EvidenceBody>('GET', `/companies/${id}/statements/balance-sheet/evidence?${query}${asked(definition)}&line=asset&column=${column}`);
    const shown = await run('balance-sheet', definition.columns);
    for (const [column, measure] of [
      [1, 'opening'],
      [2, 'movement'],
    ] as const) {
      const told = await evidence(column);
      expect([told.amount, told.measure]).toEqual([shown.rows.find(({ key, role }) => key === 'asset' && role !== 'heading')?.values[column], measure]);
      expect(told.accounts.reduce((sum, { net }) => sum + BigInt(net), 0n).toString()).toBe(told.amount);
    }
    expect((await server.refused('GET', `/companies/${id}/statements/balance-sheet/evidence?${query}${asked(definition)}&line=asset&column=0`)).code).toBe(
      'line_unknown',
    );
  });

  it('is recomputed from its workbook, scaled or not', async () => {
    const columns = [
      amounts('quarter', { period: { ...ownPeriod, base: 'quarter_to_date' }, group: 'To date' }),
      amounts('year', { period: { ...ownPeriod, base: 'year_to_date' }, group: 'To date' }),
      newPlanColumn('text', 'remarks'),
      newPlanColumn('change', 'change', 'year', 'quarter'),
      newPlanColumn('percent', 'percent', 'year', 'quarter'),
      { ...newPlanColumn('share', 'share', 'year'), line: 'profit' } as PlanColumn,
    ];
    for (const scale of ['exact', 'thousands']) await recomputeStatement(server, id, 'income-statement', `${query}${asked({ columns })}&scale=${scale}`);
  });
});

describe('figures written as a column has it', () => {
  it('have its decimals, in the workbook and as CSV too, and say how negatives and nil are written', async () => {
    const { rows } = await run('income-statement', [amounts('now')]);
    const line = rows.find(({ caption }) => caption === 'Total revenue')?.key ?? '';
    const share = (key: string, format: NumberFormat): PlanColumn => ({ key, heading: key, group: '', kind: 'share', of: 'now', line, format });
    const columns = [
      amounts('now', { format: { negatives: 'minus', nil: 'zero' } }),
      share('whole', { decimals: 0 }),
      share('fine', { decimals: 2 }),
      { ...newPlanColumn('percent', 'percent', 'now', 'now'), format: { decimals: 0, nil: 'zero' } } as PlanColumn,
    ];
    const shown = await run('income-statement', columns);
    expect(shown.columns.map(({ format }) => format)).toEqual(columns.map(({ format }) => format));
    const [revenue, profit] = ['Total revenue', 'Profit for the period'].map((caption) => row(shown, caption).map(Number));
    const part = (profit?.[0] as number) / (revenue?.[0] as number);
    expect([revenue?.slice(1), profit?.slice(1)]).toEqual([
      [100, 10_000, 0],
      [Math.round(part * 100), Math.round(part * 10_000), 0],
    ]);
    for (const scale of ['exact', 'thousands']) {
      const { sheet } = await recomputeStatement(server, id, 'income-statement', `${query}${asked({ columns })}&scale=${scale}`);
      const formats = [2, 3, 4, 5].map((at) => sheet.getCell(firstRow + 2, at).numFmt);
      const places = scale === 'exact' ? '.00' : '';
      expect(formats).toEqual([
        `#,##0${places}_);\u2212#,##0${places}_);#,##0${places}_)`,
        '#,##0%_);(#,##0%);"–"_);@_)',
        '#,##0.00%_);(#,##0.00%);"–"_);@_)',
        '#,##0%_);(#,##0%);#,##0%_);@_)',
      ]);
    }
    const csv = new TextDecoder().decode(await server.bytes(`/companies/${id}/statements/income-statement/csv?${query}${asked({ columns })}`));
    // Of a change that is nil there is no percent.
    expect(csv).toMatch(/^Total revenue,[\d.]+,100,100\.00,\r$/m);
  });
});

describe('column plans that are kept', () => {
  const body = (columns: readonly PlanColumn[]) => ({ columns: columns as PlanColumnBody[] });

  it('run any layout by their id, are changed from the version that was seen, and are on record', async () => {
    const path = `/companies/${id}/column-plans`;
    const definition = body([amounts('now'), amounts('before', { period: { ...ownPeriod, moved: { by: -1, unit: 'years' } } })]);
    const kept = await server.ok<ColumnPlanBody>('POST', path, { name: 'Two years', definition });
    expect((await server.refused('POST', path, { name: 'two years', definition })).code).toBe('column_plan_name_taken');
    const shown = await statement(server, id, 'income-statement', ...span, `&plan=composed&planId=${kept.id}`);
    expect(shown.columns.map((column) => column.kind === 'amount' && column.firstDay)).toEqual(['2026-01-01', '2025-01-01']);
    const changed = await server.ok<ColumnPlanBody>('PUT', `${path}/${kept.id}`, {
      name: 'One year',
      definition: body([amounts('now')]),
      version: kept.version,
    });
    expect((await server.refused('PUT', `${path}/${kept.id}`, { name: 'Late', definition, version: kept.version })).code).toBe('version_conflict');
    expect((await server.ok<ColumnPlanList>('GET', path)).plans.map(({ name, definition: { columns } }) => [name, columns.length])).toEqual([['One year', 1]]);
    await server.ok('DELETE', `${path}/${changed.id}`);
    expect((await server.refused('GET', `/companies/${id}/statements/balance-sheet?${query}&plan=composed&planId=${kept.id}`)).code).toBe('not_found');
    const { events } = await server.ok<{ events: { action: string; name: string }[] }>('GET', `/companies/${id}/history?thing=column_plan`);
    expect(events.map(({ action }) => action)).toEqual(['deleted', 'changed', 'added']);
  });

  it('are not deleted while a layout is run with them; a version from before is run with the comparison', async () => {
    const path = `/companies/${id}/column-plans`;
    const kept = await server.ok<ColumnPlanBody>('POST', path, { name: 'One year', definition: body([amounts('now')]) });
    const layouts = `/companies/${id}/layouts`;
    const begun = await server.ok<LayoutDetail>('POST', layouts, { name: 'With columns', from: 'income_statement' });
    const put = async (version: number, columns: OwnLayoutBody['columns']): Promise<LayoutDetail> => {
      const definition = { ...begun.definition, ...(columns ? { columns } : {}) };
      const drafted = await server.ok<LayoutDetail>('PUT', `${layouts}/${begun.id}/draft`, { version, definition });
      return server.ok<LayoutDetail>('POST', `${layouts}/${begun.id}/use`, { version: drafted.version });
    };
    const planned = await put(begun.version, { plan: 'composed', planId: kept.id });
    const shown = () => statement(server, id, `layout-${begun.id}`, ...span);
    expect((await shown()).plan).toEqual({ plan: 'composed', planId: kept.id });
    expect(await server.refused('DELETE', `${path}/${kept.id}`)).toMatchObject({ code: 'column_plan_in_use', facts: { layouts: ['With columns'] } });
    const plain = await put(planned.version, undefined);
    await server.ok('DELETE', `${path}/${kept.id}`);
    await put(plain.version, { plan: 'composed', planId: kept.id });
    expect((await shown()).plan).toEqual({ plan: 'comparison', planId: null });
    await server.ok('DELETE', `${layouts}/${begun.id}`);
  });
});

describe('the plans to begin with', () => {
  it('run for a company with budgets and facets, each part of one total', async () => {
    const { budgets } = await server.ok<BudgetList>('GET', `/companies/${id}/budgets`);
    const { lists } = await server.ok<CodeLists>('GET', `/companies/${id}/code-lists`);
    const facets = lists.filter(({ kind }) => kind === 'facet');
    const plans = usualPlansOf(budgets, facets);
    expect(plans.length).toBe(8 + facets.length);
    for (const { name, definition } of plans) {
      const ran = await run('income-statement', definition.columns);
      const profit = row(ran, 'Profit for the period').map(Number);
      expect([name, profit.length > 1]).toEqual([name, true]);
      if (name.startsWith('By ')) expect([name, profit.slice(0, -1).reduce((sum, value) => sum + value, 0)]).toEqual([name, profit.at(-1)]);
      if (name === 'This year, last year and budget') expect(profit[5]).toBe((profit[0] ?? 0) - (profit[4] ?? 0));
    }
  });
});
