import type { ChartView, PostedEntryBody, ProofList, StatementBody } from '@ivory-ladder/contract';
import type { TestServer } from './server.ts';
import { bringIn, createCompany, statement } from './trialBalance.ts';

/** Number, name, element and category of an account, and what it holds at the end of 2024 in units, debit positive. */
export type OwnAccount = readonly [number: string, name: string, element: string, category: string, units?: number];

/** A company with a chart of a test's own, balances at the end of 2024, and the year 2025 to post into; `roles` by account number. */
export async function openOwnBooks(server: TestServer, accounts: readonly OwnAccount[], roles: Readonly<Record<string, string>> = { 1000: 'cash' }) {
  const { id } = await createCompany(server);
  const rows = accounts.map(([number, name, element, category, units = 0]) => [number, name, element, category, units].join(';'));
  await bringIn(
    server,
    id,
    ['Number;Name;Element;Category;Balance', ...rows].join('\n'),
    { date: '2024-12-31', retainedEarnings: '3100', figures: { kind: 'year_to_date' } },
    'balances.csv',
  );
  await server.ok('POST', `/companies/${id}/years`, { day: '2025-06-30' });
  const path = `/companies/${id}`;
  const chart = async () => (await server.ok<ChartView>('GET', `${path}/chart?from=2025-01-01&to=2025-12-31`)).accounts;
  const find = async (number: string) => (await chart()).find((one) => one.number === number) as Awaited<ReturnType<typeof chart>>[number];
  for (const [number, role] of Object.entries(roles)) {
    const { id: accountId, version } = await find(number);
    await server.ok('PATCH', `${path}/accounts/${accountId}`, { version, role });
  }
  const ids = new Map((await chart()).map((account) => [account.number, account.id]));
  return {
    id,
    path,
    find,
    /** Units by account number, debit positive. */
    post: (date: string, lines: Readonly<Record<string, number>>, more: object = {}) =>
      server.ok<PostedEntryBody>('POST', `${path}/entries`, {
        date,
        ...more,
        lines: Object.entries(lines).map(([number, units]) => ({
          accountId: ids.get(number),
          ...(units < 0 ? { credit: String(-units * 100) } : { debit: String(units * 100) }),
        })),
      }),
    /** Rows that bear figures, by caption, in units of the first column or another. */
    shown: async (kind: Parameters<typeof statement>[2], more = '', column = 0) =>
      toldOf(await statement(server, id, kind, '2025-01-01', '2025-12-31', `&compare=none${more}`), column),
    proofs: async () =>
      Object.fromEntries(
        (await server.ok<ProofList>('GET', `${path}/proofs?from=2025-01-01&to=2025-12-31&compare=none`)).proofs.map((proof) => [proof.name, proof]),
      ),
  };
}

/** Nil aside. */
export function toldOf({ rows, columns }: StatementBody, column = 0): Record<string, number> {
  const at = column < 0 ? columns.length + column : column;
  return Object.fromEntries(
    rows.flatMap(({ role, caption, values }) => (role === 'heading' || Number(values[at] ?? 0) === 0 ? [] : [[caption, Number(values[at]) / 100]])),
  );
}
