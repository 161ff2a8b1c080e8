import type { ChartView, LayoutDetail, OwnLineBody, PlacementView, StatementBody } from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { KeptConnections } from './keptConnections.ts';
import { againstBar, alternate, ofRounds, type Result } from './measure.ts';

const span = 'from=2026-01-01&to=2026-12-31';
const groups = 12;
const leastRows = 290;
const footingBar = 15;

/** Statements in thousands by month: what it takes that they add down and across, and a cash flow that foots to twelve balance sheets. */
export async function measureFooted(client: ApiClient, companyId: number): Promise<Result[]> {
  const path = `/companies/${companyId}`;
  const layoutId = await composeWide(client, path);
  await nameCash(client, path);
  const kept = new KeptConnections(client);
  const wide = `${path}/statements/layout-${layoutId}?${span}&plan=periods&scale=thousands&detail=9`;
  const flows = `${path}/statements/cash-flow?${span}&plan=periods&scale=thousands`;
  const { rows, columns } = await client.ok<StatementBody>('GET', wide);
  if (rows.length < leastRows || columns.length !== 13) throw new Error(`${rows.length} rows × ${columns.length} columns are not what is measured`);
  const times = await alternate(
    'thousands that add both ways',
    () => kept.call('GET', `${wide}&rounding=footed`),
    () => kept.call('GET', `${wide}&rounding=independent`),
  );
  const more = times.product.map((value, at) => value - (times.yardstick[at] ?? 0));
  const ofFlows = await alternate('a cash flow of 12 months', () => kept.call('GET', flows), null);
  kept.close();
  return [
    ofRounds(`whole answer of ${rows.length} rows × 13 columns in thousands that adds both ways; how much more than each figure rounded alone`, more, {
      unit: 'ms',
      bar: `at most ${footingBar} ms`,
      holds: Math.min(...more) <= footingBar,
    }),
    againstBar('a cash flow of 12 months in thousands, whole HTTP answer', ofFlows, 60),
  ];
}

/** Every category a line, in groups, over what moved: twelve months and their total. */
async function composeWide(client: ApiClient, path: string): Promise<number> {
  const { categories } = await client.ok<PlacementView>('GET', `${path}/placement?${span}`);
  const lines = categories
    .filter(({ parentId }) => parentId !== null)
    .map(({ id, name }, at) => ({ ...newLine('accounts', `line_${at}`, name), sources: [{ kind: 'category', categoryId: id }] }));
  const parts = Array.from({ length: groups }, (_, at) => ({
    ...newLine('group', `group_${at}`, `Group ${at}`),
    side: 'debit',
    children: lines.filter((__, index) => index % groups === at),
  }));
  const total = { ...newLine('sum', 'total', 'All'), terms: parts.map(({ key }) => ({ key, sign: 1 })) };
  const begun = await client.ok<LayoutDetail>('POST', `${path}/layouts`, { name: `Wide ${Date.now()}`, from: 'nothing' });
  const definition = {
    ...begun.definition,
    measure: 'movement',
    scope: ['asset', 'liability', 'equity', 'income', 'expense'],
    lines: [...parts, total] as unknown as OwnLineBody[],
  };
  const saved = await client.ok<LayoutDetail>('PUT', `${path}/layouts/${begun.id}/draft`, { version: begun.version, definition });
  await client.ok('POST', `${path}/layouts/${begun.id}/use`, { version: saved.version, reason: '' });
  return begun.id;
}

/** A cash flow has to know what cash is. */
async function nameCash(client: ApiClient, path: string): Promise<void> {
  const { accounts } = await client.ok<ChartView>('GET', `${path}/chart?${span}`);
  for (const { id, version } of accounts.filter(({ element }) => element === 'asset').slice(0, 5))
    await client.ok('PATCH', `${path}/accounts/${id}`, { version, role: 'cash' });
}
