import type { Company, PlacementView, StatementBody } from '@ivory-ladder/contract';
import { addDays, type Day, shiftMonths } from '@ivory-ladder/core';
import mysql from 'mysql2/promise';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { seeded } from '../tests/support/seeded.ts';
import { measureFooted } from './footedStatements.ts';
import { KeptConnections } from './keptConnections.ts';
import { againstBar, alternate, type Result } from './measure.ts';

const accounts = 2000;
const months = 36;
const categories = 280;

const elementAt = (at: number) => (at < 700 ? 'asset' : at < 1000 ? 'liability' : at < 1010 ? 'equity' : at < 1300 ? 'income' : 'expense');

/** A company of 2,000 accounts in 280 categories with a trial balance at each of 36 month ends. */
async function loadCompany(client: ApiClient): Promise<Company> {
  const send = <Body>(path: string, body: unknown): Promise<Body> => client.ok<Body>('POST', path, body);
  const company = await send<Company>('/companies', { name: 'Benchmark', currency: 'EUR', fiscalYearFirstMonth: 1 });
  const random = seeded(20_260_930);
  const balances = new Array<number>(accounts).fill(0);
  for (let month = 0; month < months; month++) {
    const day = addDays(shiftMonths('2024-01-01', month + 1), -1);
    for (let at = 0; at < accounts; at++) {
      const resets = at >= 1010 && month % 12 === 0;
      balances[at] = (resets ? 0 : (balances[at] ?? 0)) + random(2_000_000) - 1_000_000;
    }
    balances[1000] = 0;
    balances[1000] = -balances.reduce((sum, cents) => sum + cents, 0);
    const rows = balances.map((cents, at) => {
      const category = Math.floor((at * categories) / accounts);
      return `${1000 + at},Account ${at},${elementAt(at)},Group ${elementAt(at)} ${category % 7} > Category ${category},${(cents / 100).toFixed(2)}`;
    });
    const { fileId } = await send<{ fileId: number }>(
      `/companies/${company.id}/trial-balance-files?name=tb-${day}.csv`,
      Buffer.from(`Number,Name,Element,Category,Balance\n${rows.join('\n')}`),
    );
    await send(`/companies/${company.id}/trial-balance-files/${fileId}/posting`, { date: day, retainedEarnings: '2001', figures: { kind: 'year_to_date' } });
  }
  return company;
}

/** Spans that are never the same twice: any run of months against any other. */
function* spans(seed: number): Generator<{ from: Day; to: Day; compareFrom: Day; compareTo: Day }> {
  const random = seeded(seed);
  const seen = new Set<string>();
  for (;;) {
    const [a, b, c, d] = [random(months), random(months), random(months), random(months)];
    const key = [a, b, c, d].join();
    if (seen.has(key)) continue;
    seen.add(key);
    const day = (month: number, last: boolean) => (last ? addDays(shiftMonths('2024-01-01', month + 1), -1) : shiftMonths('2024-01-01', month));
    yield { from: day(Math.min(a, b), false), to: day(Math.max(a, b), true), compareFrom: day(Math.min(c, d), false), compareTo: day(Math.max(c, d), true) };
  }
}

export async function measureStatements(client: ApiClient, databaseUrl: string): Promise<Result[]> {
  const company = await loadCompany(client);
  const connection = await mysql.createConnection({ uri: databaseUrl, supportBigNumbers: true, bigNumberStrings: true });
  const asked = spans(7);
  const next = () => asked.next().value as { from: Day; to: Day; compareFrom: Day; compareTo: Day };
  const pathOf = (detail: string, span: ReturnType<typeof next>): string =>
    `/companies/${company.id}/statements/income-statement?${new URLSearchParams({ ...span, compare: 'fixed', detail })}`;
  const ask = async (detail: string, span = next()): Promise<StatementBody> => {
    return client.ok<StatementBody>('GET', pathOf(detail, span));
  };
  const kept = new KeptConnections(client);
  const sql = (span: ReturnType<typeof next>) =>
    connection.query(
      `SELECT line.account_id, SUM(IF(line.entry_date BETWEEN ? AND ?, line.debit - line.credit, 0)) AS chosen, SUM(IF(line.entry_date BETWEEN ? AND ?, line.debit - line.credit, 0)) AS earlier
         FROM journal_line AS line JOIN account ON account.company_id = line.company_id AND account.id = line.account_id
        WHERE line.company_id = ? AND line.closing = 0 AND account.element IN ('income', 'expense') GROUP BY line.account_id`,
      [span.from, span.to, span.compareFrom, span.compareTo, company.id],
    );
  await checkSame(ask, sql, next(), await client.ok<PlacementView>('GET', `/companies/${company.id}/placement?from=2024-01-01&to=2024-12-31`));
  const results: Result[] = [];
  for (const [detail, name] of [
    ['2', 'categories and subcategories'],
    ['accounts', 'down to every account'],
  ] as const) {
    const times = await alternate(
      name,
      () => kept.call('GET', pathOf(detail, next())),
      async () => void (await sql(next())),
    );
    results.push(againstBar(`whole HTTP answer of an income statement, ${accounts.toLocaleString('en')} accounts × ${months} periods, ${name}`, times, 20));
  }
  kept.close();
  await connection.end();
  return [...results, ...(await measureFooted(client, company.id))];
}

/** Both must give the same figures before either is timed. */
async function checkSame(
  ask: (detail: string, span: { from: Day; to: Day; compareFrom: Day; compareTo: Day }) => Promise<StatementBody>,
  sql: (span: { from: Day; to: Day; compareFrom: Day; compareTo: Day }) => Promise<unknown>,
  span: { from: Day; to: Day; compareFrom: Day; compareTo: Day },
  placement: PlacementView,
): Promise<void> {
  const statement = await ask('accounts', span);
  const [rows] = (await sql(span)) as [{ account_id: number; chosen: string; earlier: string }[]];
  const elementOf = new Map(placement.accounts.map((account) => [account.id, account.element]));
  const shown = new Map(statement.rows.filter((row) => row.accountId !== null).map((row) => [row.accountId as number, row.values]));
  for (const { account_id, chosen, earlier } of rows) {
    const expected = [chosen, earlier].map((amount) => -BigInt(amount));
    const ours = (shown.get(account_id) ?? ['0', '0']).slice(0, 2).map((amount) => BigInt(amount ?? '0'));
    if (!elementOf.has(account_id) || ours.some((amount, at) => amount !== expected[at]))
      throw new Error(`account ${account_id}: ${ours} here, ${expected} in SQL`);
  }
}
