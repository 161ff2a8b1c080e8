import type {
  BudgetList,
  CodeListBody,
  ColumnPlanList,
  Company,
  LayoutDetail,
  LayoutList,
  PastPlacementBody,
  PlacementView,
  StatementBody,
} from '@ivory-ladder/contract';
import {
  type ChosenPlan,
  type DefinitionNeed,
  Definitions,
  type Detail,
  type ExchangeRate,
  type FacetFilter,
  facetKey,
  type Ground,
  groundOfView,
  lastMomentOf,
  newPlanColumn,
  type PlanColumn,
  planPrint,
  planStatement,
  printNeeds,
  readVectors,
  runRows,
  type Scale,
  type StatementRequest,
  Vectors,
} from '@ivory-ladder/core';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { rememberUntilJune } from '../support/earlierPlacement.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let path: string;
let company: Company;
let lists: readonly CodeListBody[];
let layouts: readonly LayoutDetail[];
const grounds = new Map<number, Ground>();
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  path = `/companies/${await server.companyId()}`;
  const { categories } = await server.ok<PlacementView>('GET', `${path}/placement?from=2026-01-01&to=2026-12-31`);
  const categoryId = (name: string) => categories.find((one) => one.name === name)?.id ?? 0;
  await rememberUntilJune(server.databaseUrl, categoryId('Prepayments'), categoryId('Trade and other receivables'));
  company = await server.ok<Company>('GET', path);
  ({ lists } = await server.ok<{ lists: CodeListBody[] }>('GET', `${path}/code-lists`));
  // Beside those of the demo one of each kind, as it begins.
  for (const from of ['balance_sheet', 'income_statement', 'cash_flow', 'changes_in_equity', 'trial_balance']) {
    const { id, version } = await server.ok<LayoutDetail>('POST', `${path}/layouts`, { name: `Begun as ${from}`, from });
    await server.ok('POST', `${path}/layouts/${id}/use`, { version, reason: 'To be tried' });
  }
  const listed = await server.ok<LayoutList>('GET', `${path}/layouts`);
  layouts = await Promise.all(listed.layouts.map(({ id }) => server.ok<LayoutDetail>('GET', `${path}/layouts/${id}`)));
  for (const id of new Set(layouts.map(({ classificationId }) => classificationId))) {
    const view = await server.ok<PlacementView>('GET', `${path}/placement?from=2026-01-01&to=2026-12-31&classification=${id}`);
    grounds.set(id, groundOfView(view, company, lists, id));
  }
});
afterAll(() => server.stop());

const detail: Detail = { rungs: 2, opened: new Set(), shut: new Set(), zeroLines: false };

/** What a preview has from elsewhere, as the page gives it. */
async function definitionOf(need: DefinitionNeed): Promise<unknown> {
  if (need.of === 'column_plan')
    return (await server.ok<ColumnPlanList>('GET', `${path}/column-plans`)).plans.find(({ id }) => id === need.id)?.definition ?? null;
  if (need.of === 'budget') return (await server.ok<BudgetList>('GET', `${path}/budgets`)).budgets.find(({ id }) => id === need.id) ?? null;
  if (need.of === 'past_placement') {
    const asked = new URLSearchParams({ classification: String(need.classificationId), moment: lastMomentOf(need.day) });
    const past = await server.ok<PastPlacementBody>('GET', `${path}/past-placement?${asked}`);
    return past.categories.length > 0 ? past : null;
  }
  if (need.of === 'rates')
    return (await server.ok<{ rates: ExchangeRate[] }>('GET', `${path}/rates`)).rates.filter(({ currency }) => currency === need.currency);
  return null;
}

type Previewed = { readonly rows: readonly (readonly [string, string, readonly (string | null)[]])[] } | { readonly refused: string };

/** Planned and run here, over nothing but what the page is given: the placement, definitions, and vectors as bytes. */
async function preview(request: StatementRequest, scale: Scale): Promise<Previewed> {
  const definitions = new Definitions();
  for (;;) {
    const planned = planStatement({ grounds: (id) => grounds.get(id) ?? null, definitions }, request);
    if (!planned.ok && planned.failure.code === 'definitions_missing') {
      for (const need of definitions.takeMissing()) definitions.give(need, (await definitionOf(need)) as never);
      continue;
    }
    if (!planned.ok) return { refused: planned.failure.code };
    const print = planPrint(planned.value, { detail, scale });
    const needs = printNeeds(print);
    const { revision, structureVersion, indexOf } = planned.value.ground;
    const vectors = new Vectors();
    const response = await fetch(`${server.url}/api${path}/vectors`, {
      method: 'POST',
      headers: { Origin: server.url, 'X-Ivory-Ladder': '1', 'Content-Type': 'application/json', Cookie: server.cookie },
      body: JSON.stringify({ revision, structureVersion, needs }),
    });
    if (response.status !== 200) return { refused: ((await response.json()) as { code: string }).code };
    readVectors(await response.arrayBuffer(), needs, indexOf, vectors);
    const { rows } = runRows(print, vectors);
    return { rows: rows.map(({ key, role, values }) => [key, role, values.map((value) => value?.toString() ?? null)]) };
  }
}

async function run(request: StatementRequest, { unit, rounding }: Scale): Promise<Previewed> {
  const { statement, span, comparison, facets, columns, presentation, adjusting } = request;
  const kind = typeof statement === 'string' ? statement.replaceAll('_', '-') : 'drafted' in statement ? `layout-${idOf.get(statement.drafted)}` : '';
  const query = new URLSearchParams({ from: span.firstDay, to: span.lastDay, compare: comparison.kind, detail: '2', scale: unit, rounding });
  if (Object.keys(facets).length > 0) query.set('facets', facetKey(facets));
  if (adjusting) query.set('adjusting', adjusting);
  if (columns) query.set('plan', columns.plan);
  if (columns?.definition) query.set('definition', JSON.stringify(columns.definition));
  if (presentation) {
    query.set('currency', presentation.currency);
    query.set('translation', presentation.method);
  }
  const answer = await server.call<StatementBody & { code: string }>('GET', `${path}/statements/${kind}?${query}`);
  if (answer.status !== 200) return { refused: answer.body.code };
  return { rows: answer.body.rows.map(({ key, role, values }) => [key, role, values]) };
}

const idOf = new Map<unknown, number>();

const day = fc.constantFrom('2025-01-01', '2025-07-01', '2025-10-13', '2026-01-01', '2026-03-01', '2026-08-31', '2026-09-30', '2026-12-31');
const span = fc.tuple(day, day).map(([a, b]) => (a < b ? { firstDay: a, lastDay: b } : { firstDay: b, lastDay: a }));
const scale: fc.Arbitrary<Scale> = fc.record({
  unit: fc.constantFrom('exact', 'units', 'thousands', 'thousands', 'millions'),
  rounding: fc.constantFrom('footed', 'footed', 'footed', 'independent'),
});

describe('a preview', () => {
  it('is the run, cell by cell, whatever the layout, plan, scale, currency, filter, days and days of placement', async () => {
    for (const { id, used, definition } of layouts) idOf.set(used ?? definition, id);
    const facet = lists.find(({ kind, codes }) => kind === 'facet' && codes.length > 2) as CodeListBody;
    const filter: fc.Arbitrary<FacetFilter> = fc.constantFrom(
      {},
      {},
      {},
      { [facet.key]: [facet.codes[0]?.code ?? ''] },
      { [facet.key]: ['', facet.codes[1]?.code ?? ''] },
    );
    const column = fc
      .record({
        measure: fc.constantFrom('own' as const, 'own' as const, 'opening' as const, 'movement' as const, 'closing' as const),
        facets: filter,
        withoutAdjustments: fc.boolean(),
        placement: fc.constantFrom(undefined, undefined, undefined, 'own_day' as const, '2026-03-31'),
        repeat: fc.constantFrom(null, null, 'periods' as const, 'quarters' as const, facet.key),
        by: fc.constantFrom(0, 0, -1, -3),
      })
      .map(
        ({ by, placement, ...fields }, at = 0) =>
          ({
            ...newPlanColumn('amounts', `c${at}`),
            ...fields,
            ...(placement === undefined ? {} : { placement }),
            period: { base: 'run', periods: 1, moved: { by, unit: 'periods' }, firstDay: '', lastDay: '' },
          }) as PlanColumn,
      );
    const composed: fc.Arbitrary<ChosenPlan> = fc.array(column, { minLength: 1, maxLength: 3 }).map((columns) => ({
      plan: 'composed',
      definition: { columns: [...columns.map((one, at) => ({ ...one, key: `c${at}` })), { ...newPlanColumn('percent', 'p', 'c0', `c${columns.length - 1}`) }] },
    }));
    const request = fc.record({
      layout: fc.integer({ min: 0, max: layouts.length + 3 }),
      span,
      comparison: fc.constantFrom({ kind: 'usual' as const }, { kind: 'none' as const }, { kind: 'span_before' as const }),
      facets: filter,
      columns: fc.oneof(composed, fc.constantFrom({ plan: 'comparison' as const }, { plan: 'periods' as const }, { plan: 'quarters' as const })),
      presentation: fc.constantFrom(
        undefined,
        undefined,
        undefined,
        { currency: 'USD', method: 'own_rates' as const },
        { currency: 'USD', method: 'closing_rate' as const },
      ),
      adjusting: fc.constantFrom(undefined, undefined, 'before' as const),
    });
    const generated = ['balance_sheet', 'income_statement', 'cash_flow', 'changes_in_equity'] as const;
    let [compared, refused, ofEarlier] = [0, 0, 0];
    await fc.assert(
      fc.asyncProperty(request, scale, async ({ layout: at, ...asked }, shown) => {
        const layout = layouts[at];
        const own = layout && (layout.used ?? layout.definition);
        const made = {
          ...asked,
          statement: own ? { drafted: own } : (generated[at - layouts.length] as (typeof generated)[number]),
          classificationId: layout?.classificationId ?? grounds.keys().next().value ?? 0,
        } as StatementRequest;
        const [here, there] = [await preview(made, shown), await run(made, shown)];
        if ('refused' in there) refused++;
        else compared++;
        const chosen = asked.columns.plan === 'composed' ? (asked.columns.definition?.columns ?? []) : [];
        if ('rows' in there && chosen.some((one) => one.kind === 'amounts' && one.placement !== undefined)) ofEarlier++;
        expect(here).toEqual(there);
      }),
      { numRuns: 160, seed: 24 },
    );
    expect(compared).toBeGreaterThan(80);
    expect(refused).toBeGreaterThan(5);
    expect(ofEarlier).toBeGreaterThan(5);
  });

  it('of a composed cash flow in thousands, month by month, has the figures of the run', async () => {
    const layout = layouts.find(({ name }) => name === 'Begun as cash_flow') as LayoutDetail;
    const own = layout.used ?? layout.definition;
    idOf.set(own, layout.id);
    const request = {
      statement: { drafted: own },
      classificationId: layout.classificationId,
      span: { firstDay: '2026-01-01', lastDay: '2026-12-31' },
      comparison: { kind: 'none' },
      facets: {},
      columns: { plan: 'periods' },
    } as StatementRequest;
    const inThousands: Scale = { unit: 'thousands', rounding: 'footed' };
    const here = await preview(request, inThousands);
    expect(here).toEqual(await run(request, inThousands));
    expect('rows' in here && here.rows.length).toBeGreaterThan(10);
  });

  it('gives nothing of another state than it was planned over', async () => {
    const [ground] = grounds.values();
    const needs = [{ amounts: { of: 'posted' }, filter: {}, layers: 'all', take: { take: 'balance', day: '2026-12-31', at: 'end' }, money: { in: 'own' } }];
    const ask = (more: object) =>
      server.call<{ code: string }>('POST', `${path}/vectors`, { revision: ground?.revision, structureVersion: ground?.structureVersion, needs, ...more });
    expect((await ask({})).status).toBe(200);
    expect((await ask({ revision: (ground?.revision ?? 0) - 1 })).body.code).toBe('ledger_moved_on');
    expect((await ask({ structureVersion: 0 })).body.code).toBe('ledger_moved_on');
    expect(
      (
        await ask({
          needs: [{ ...needs[0], amounts: { of: 'budget', id: 999_999 }, take: { take: 'movement', span: { firstDay: '2026-01-01', lastDay: '2026-12-31' } } }],
        })
      ).body.code,
    ).toBe('not_found');
  });
});
