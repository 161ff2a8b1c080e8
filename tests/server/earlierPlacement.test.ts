import type { EvidenceBody, LayoutDetail, PlacementView, RanSet, StatementBody, StatementSetBody } from '@ivory-ladder/contract';
import { newPlanColumn, type PlanColumn } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { rememberUntilJune } from '../support/earlierPlacement.ts';
import { recomputeStatement } from '../support/recomputedWorkbook.ts';
import { TestServer } from '../support/server.ts';
import { statement } from '../support/trialBalance.ts';

const span = ['2026-01-01', '2026-09-30'] as const;
const query = `from=${span[0]}&to=${span[1]}`;
const column = (key: string, more: Record<string, unknown> = {}): PlanColumn => ({ ...newPlanColumn('amounts', key), ...more }) as PlanColumn;
const asked = (columns: readonly PlanColumn[]) => `&plan=composed&definition=${encodeURIComponent(JSON.stringify({ columns }))}`;
const plan = [column('now'), column('then', { placement: '2026-03-31' })];

let server: TestServer;
let id: number;
beforeAll(async () => {
  server = await TestServer.start({ demo: true });
  id = await server.companyId();
  const { categories } = await server.ok<PlacementView>('GET', `/companies/${id}/placement?${query}`);
  const idOf = (name: string) => categories.find((one) => one.name === name)?.id ?? 0;
  await rememberUntilJune(server.databaseUrl, idOf('Prepayments'), idOf('Trade and other receivables'));
});
afterAll(() => server.stop());

const run = (columns: readonly PlanColumn[], more = '', kind: Parameters<typeof statement>[2] = 'balance-sheet') =>
  statement(server, id, kind, ...span, `${asked(columns)}${more}`);
const onLine = ({ rows }: StatementBody, caption: string): number[] =>
  (rows.find((row) => row.caption === caption && row.role !== 'heading')?.values ?? []).map(Number);

describe('a column by the placement of an earlier day', () => {
  it('has accounts where they stood, beside one where they stand today; both come to the same totals', async () => {
    const shown = await run(plan);
    expect(shown.columns[1]).toMatchObject({ placedOn: '2026-03-31' });
    const [prepaid, receivable] = [onLine(shown, 'Prepayments'), onLine(shown, 'Trade and other receivables')];
    const moved = prepaid[0] as number;
    expect(moved).toBeGreaterThan(0);
    expect([prepaid[1], receivable[1]]).toEqual([0, (receivable[0] as number) + moved]);
    for (const total of ['Total current assets', 'Total assets', 'Total liabilities and equity']) {
      const [now, then] = onLine(shown, total);
      expect(then, total).toBe(now);
    }
    expect(onLine(shown, 'Total assets')[0]).toBe(onLine(await run([column('now')]), 'Total assets')[0]);
  });

  it('is by the placement of its own last day where that is asked for, on composed layouts too', async () => {
    const { id: layoutId, version } = await server.ok<LayoutDetail>('POST', `/companies/${id}/layouts`, { name: 'Follows', from: 'balance_sheet' });
    await server.ok('POST', `/companies/${id}/layouts/${layoutId}/use`, { version, reason: 'as it is' });
    const march = { period: { base: 'fixed', periods: 12, moved: { by: 0, unit: 'years' }, firstDay: '2026-01-01', lastDay: '2026-03-31' } };
    const columns = [column('now', march), column('then', { ...march, placement: 'own_day' })];
    for (const kind of ['balance-sheet', `layout-${layoutId}`] as const) {
      const shown = await run(columns, '', kind);
      const [prepaid, receivable] = [onLine(shown, 'Prepayments'), onLine(shown, 'Trade and other receivables')];
      expect([prepaid[1], receivable[1]], kind).toEqual([0, (receivable[0] as number) + (prepaid[0] as number)]);
    }
  });

  it('opens to the accounts that stood there and to their entries', async () => {
    const shown = await run(plan, '&detail=accounts');
    const line = shown.rows.find(({ caption, role }) => caption === 'Trade and other receivables' && role !== 'heading')?.lineKey ?? '';
    const at = `/companies/${id}/statements/balance-sheet/evidence?${query}${asked(plan)}&line=${line}`;
    const [now, then] = await Promise.all([0, 1].map((place) => server.ok<EvidenceBody>('GET', `${at}&column=${place}`)));
    const [stood, ...others] = then?.accounts.filter(({ accountId }) => accountId < -1) ?? [];
    expect(then?.accounts.filter(({ accountId }) => accountId > 0)).toEqual(now?.accounts);
    const [moved] = onLine(shown, 'Prepayments');
    expect([...others, stood].reduce((sum, one) => sum + Number(one?.net), 0)).toBe(moved);
    const opened = await server.ok<EvidenceBody>('GET', `${at}&column=1&account=${stood?.accountId}`);
    expect(opened.ledgerAccountId).toBeGreaterThan(0);
    expect([Number(opened.amount), opened.entryCount > 0]).toEqual([Number(stood?.net), true]);
    const standIns = shown.rows.filter(({ accountId }) => accountId !== null && accountId < -1);
    expect([standIns.length, new Set(standIns.map(({ values }) => values[0]))]).toEqual([others.length + 1, new Set(['0'])]);
  });

  it('is recomputed from its workbook, and says by which day it is', async () => {
    for (const more of ['', '&scale=thousands', '&currency=NOK'])
      await recomputeStatement(server, id, 'balance-sheet', `${query}${asked(plan)}&detail=accounts${more}`);
    const csv = new TextDecoder().decode(await server.bytes(`/companies/${id}/statements/balance-sheet/csv?${query}${asked(plan)}`));
    expect(csv).toContain('as classified on 31 March 2026');
  });

  it('proves nothing in a set, since what stood nowhere is on no line', async () => {
    const { id: planId } = await server.ok<{ id: number }>('POST', `/companies/${id}/column-plans`, { name: 'Then', definition: { columns: plan } });
    const part = { key: 'sheet', statement: 'balance-sheet', title: '', columns: { plan: 'composed', planId }, detail: 2, zeroLines: false };
    const definition = { parts: [part], scale: { unit: 'exact', rounding: 'footed' }, language: null };
    const set = await server.ok<StatementSetBody>('POST', `/companies/${id}/sets`, { name: 'With then', definition });
    const { proofs } = await server.ok<RanSet>('GET', `/companies/${id}/sets/${set.id}/statements?${query}`);
    expect(proofs.find(({ name }) => name === 'balances')?.ties.map(({ unprovable }) => unprovable)).toEqual([null, 'placement']);
  });

  it('is refused for a day of which no placement is kept, and where a statement is by that of today alone', async () => {
    const refused = (columns: readonly PlanColumn[], kind = 'balance-sheet') =>
      server.refused('GET', `/companies/${id}/statements/${kind}?${query}${asked(columns)}`);
    const before = await refused([column('then', { placement: '2020-12-31' })]);
    expect([before.code, before.facts]).toEqual(['placement_not_kept', { day: '2020-12-31' }]);
    const flow = await refused([column('then', { measure: 'movement', placement: 'own_day' })], 'cash-flow');
    expect([flow.code, (flow.facts.fault as { code: string }).code]).toEqual(['plan_unfit', 'column_placed_today']);
  });
});
