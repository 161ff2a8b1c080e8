import { performance } from 'node:perf_hooks';
import { DuckDBInstance } from '@duckdb/node-api';
import type { StatementBody } from '@ivory-ladder/contract';
import { addDays, type Day, shiftMonths } from '@ivory-ladder/core';
import mysql from 'mysql2/promise';
import type { ApiClient } from '../tests/support/apiClient.ts';
import { seeded } from '../tests/support/seeded.ts';
import { measureColdStart } from './coldStart.ts';
import { KeptConnections } from './keptConnections.ts';
import { type LargeLedger, months, query } from './largeLedger.ts';
import { alternate, median, ofRounds, type Result, timesAsFast } from './measure.ts';

interface Asked {
  readonly from: Day;
  readonly to: Day;
  readonly compareFrom: Day;
  readonly compareTo: Day;
}

const firstDay = '2024-01-01';

/** Random spans of whole months, or of days inside them; never the same twice. */
function* spans(seed: number, isWithinMonths: boolean): Generator<Asked> {
  const random = seeded(seed);
  const seen = new Set<string>();
  for (;;) {
    const day = (month: number, last: boolean): Day => {
      const first = shiftMonths(firstDay, month);
      if (isWithinMonths) return addDays(first, 3 + random(20));
      return last ? addDays(shiftMonths(first, 1), -1) : first;
    };
    const [a, b, c, d] = [random(months), random(months), random(months), random(months)];
    const asked = {
      from: day(Math.min(a, b), false),
      to: day(Math.max(a, b), true),
      compareFrom: day(Math.min(c, d), false),
      compareTo: day(Math.max(c, d), true),
    };
    const key = Object.values(asked).join();
    if (seen.has(key) || asked.from > asked.to || asked.compareFrom > asked.compareTo) continue;
    seen.add(key);
    yield asked;
  }
}

const coldRounds = 12;
const coldBar = 120;

/** The first time that days of a period are asked for: before each, a change of the structure makes the server forget what it kept, and whole months warm the rest. */
async function measureColdSpans(client: ApiClient, path: string, whole: () => Promise<void>, within: () => Promise<void>, size: string): Promise<Result> {
  const timed = async (work: () => Promise<void>) => {
    const began = performance.now();
    await work();
    return performance.now() - began;
  };
  const more: number[] = [];
  for (let round = 0; round < coldRounds; round++) {
    await client.ok('PUT', `${path}/layout-options`, await client.ok('GET', `${path}/layout-options`));
    for (let warm = 0; warm < 3; warm++) await whole();
    const usual = median([await timed(whole), await timed(whole), await timed(whole)]);
    more.push((await timed(within)) - usual);
  }
  return ofRounds(`the same asked for the first time, ${size}; how much more than whole months`, more, {
    unit: 'ms',
    bar: `at most ${coldBar} ms at the median`,
    holds: median(more) <= coldBar,
  });
}

const nextOf = (asked: Generator<Asked>) => () => asked.next().value as Asked;

/** The same two columns of income and expense accounts by three ways: a whole HTTP answer, MariaDB over the lines, DuckDB over the lines. */
export async function measureLargeStatements(client: ApiClient, databaseUrl: string, ledger: LargeLedger): Promise<Result[]> {
  const { company, lines, facets, setsOfVessel } = ledger;
  const connection = await mysql.createConnection({ uri: databaseUrl, supportBigNumbers: true, bigNumberStrings: true });
  const duck = await (await DuckDBInstance.create(':memory:', { threads: '2' })).connect();
  await duck.run(
    `CREATE TABLE line AS SELECT * FROM read_csv('${ledger.linesFile}', header = false, columns = {entry: 'BIGINT', number: 'INTEGER', account: 'INTEGER', day: 'DATE', debit: 'BIGINT', credit: 'BIGINT', facet_set: 'INTEGER'})`,
  );
  await duck.run('CREATE TABLE account (id INTEGER, resets BOOLEAN)');
  for (let at = 0; at < ledger.accountIds.length; at += 500)
    await duck.run(
      `INSERT INTO account VALUES ${ledger.accountIds
        .slice(at, at + 500)
        .map((id, step) => `(${id}, ${at + step >= 1010})`)
        .join(', ')}`,
    );

  const pathOf = (span: Asked, more: Record<string, string>) =>
    `/companies/${company.id}/statements/income-statement?${new URLSearchParams({ ...span, compare: 'fixed', detail: '2', ...more })}`;
  const ask = (span: Asked, more: Record<string, string> = {}) => client.ok<StatementBody>('GET', pathOf(span, more));
  const kept = new KeptConnections(client);
  const time = (span: Asked, more: Record<string, string> = {}) => kept.call('GET', pathOf(span, more));
  const indexes = ['line_by_day', 'line_by_account'] as const;
  const inSql = ({ from, to, compareFrom, compareTo }: Asked, index: (typeof indexes)[number]) =>
    query<{ id: number; chosen: string; earlier: string }>(
      connection,
      `SELECT line.account_id AS id, SUM(IF(line.entry_date BETWEEN ? AND ?, line.debit - line.credit, 0)) AS chosen, SUM(IF(line.entry_date BETWEEN ? AND ?, line.debit - line.credit, 0)) AS earlier
         FROM journal_line AS line FORCE INDEX (${index}) JOIN account ON account.company_id = line.company_id AND account.id = line.account_id
        WHERE line.company_id = ? AND line.entry_date BETWEEN ? AND ? AND line.closing = 0 AND account.element IN ('income', 'expense') GROUP BY line.account_id`,
      [from, to, compareFrom, compareTo, company.id, from < compareFrom ? from : compareFrom, to > compareTo ? to : compareTo],
    );
  const inDuck = async ({ from, to, compareFrom, compareTo }: Asked, sets: readonly number[] | null = null) => {
    const reader = await duck.runAndReadAll(
      `SELECT account, SUM(CASE WHEN day BETWEEN '${from}' AND '${to}' THEN debit - credit ELSE 0 END)::VARCHAR AS chosen, SUM(CASE WHEN day BETWEEN '${compareFrom}' AND '${compareTo}' THEN debit - credit ELSE 0 END)::VARCHAR AS earlier
         FROM line JOIN account ON account.id = line.account WHERE account.resets ${sets ? `AND facet_set IN (${sets.join(', ')})` : ''} GROUP BY account`,
    );
    return reader.getRowObjects() as { account: number; chosen: string; earlier: string }[];
  };

  const whole = nextOf(spans(7, false));
  const vessels = [...setsOfVessel.keys()];
  const random = seeded(11);
  /** Two of ten vessels, and some routes of twenty: another choice each time. */
  const choice = () => {
    const first = random(vessels.length);
    const chosen = [vessels[first], vessels[(first + 1 + random(vessels.length - 1)) % vessels.length]] as string[];
    return { values: JSON.stringify({ [facets[0]]: chosen }), sets: chosen.flatMap((vessel) => setsOfVessel.get(vessel) ?? []) };
  };

  // All must give the same profit before any is timed.
  for (let round = 0; round < 3; round++) {
    const span = whole();
    const sum = (rows: readonly { chosen: string; earlier: string }[]) =>
      [rows.reduce((total, row) => total - BigInt(row.chosen), 0n), rows.reduce((total, row) => total - BigInt(row.earlier), 0n)].join();
    const ours = (await ask(span)).rows.at(-1)?.values.slice(0, 2).join();
    const theirs = [sum(await inSql(span, 'line_by_day')), sum(await inDuck(span))];
    // Entries of the API stand in the database alone.
    if (theirs[0] !== ours) throw new Error(`profit ${ours} here, ${theirs[0]} in SQL`);
    if (span.from > '2024-01-31' && span.compareFrom > '2024-01-31' && theirs[1] !== ours) throw new Error(`profit ${ours} here, ${theirs[1]} in DuckDB`);
    const { values, sets } = choice();
    const late = { ...span, from: '2024-02-01', to: '2026-12-31', compareFrom: '2025-01-01', compareTo: '2025-06-30' };
    const narrowed = (await ask(late, { facets: values })).rows.at(-1)?.values.slice(0, 2).join();
    if (narrowed !== sum(await inDuck(late, sets))) throw new Error(`with a facet filter: ${narrowed} here, other in DuckDB`);
  }

  // The yardstick takes whichever index is faster.
  const took = new Map<(typeof indexes)[number], number>();
  for (const index of indexes) {
    const began = performance.now();
    for (let round = 0; round < 3; round++) await inSql(whole(), index);
    took.set(index, (performance.now() - began) / 3);
  }
  const best = [...took].sort(([, a], [, b]) => a - b)[0]?.[0] ?? 'line_by_day';
  process.stdout.write(`SQL over the lines: ${[...took].map(([index, milliseconds]) => `${milliseconds.toFixed(0)} ms by ${index}`).join(', ')}\n`);

  const size = `${(lines / 1e6).toLocaleString('en')} million lines`;
  const results: Result[] = [];
  const plain = () => time(whole());
  const sql = await alternate('against SQL', plain, async () => void (await inSql(whole(), best)));
  results.push(timesAsFast(`income statement, whole HTTP answer, 2 columns, ${size}; against SQL over the lines`, sql, 100));
  const duckTimes = await alternate('against DuckDB', plain, async () => void (await inDuck(whole())));
  results.push(timesAsFast('the same; against DuckDB over the lines', duckTimes, 10));
  const filtered = await alternate(
    'with a facet filter',
    () => time(whole(), { facets: choice().values }),
    async () => void (await inDuck(whole(), choice().sets)),
  );
  results.push(timesAsFast(`with a facet filter, 2 of 10 vessels, 40 of 200 sets, ${size}; against DuckDB's filtered query`, filtered, 1));
  const within = nextOf(spans(13, true));
  const partial = await alternate('inside periods', () => time(within()), plain);
  const more = partial.product.map((value, at) => value - (partial.yardstick[at] ?? 0));
  results.push(
    ofRounds(`a span that begins and ends inside periods, ${size}; how much more than whole months`, more, {
      unit: 'ms',
      bar: 'at most 100 ms',
      holds: Math.min(...more) <= 100,
    }),
  );
  results.push(
    await measureColdSpans(
      client,
      `/companies/${company.id}`,
      () => time(whole()),
      () => time(within()),
      size,
    ),
  );
  results.push(await measureColdStart(client, databaseUrl, pathOf(whole(), {}), size));
  const explained = await query<Record<string, unknown>>(
    connection,
    `EXPLAIN SELECT account_id, SUM(debit - credit) FROM journal_line FORCE INDEX (${best}) WHERE company_id = ? AND entry_date BETWEEN '2024-06-01' AND '2025-05-31' AND closing = 0 GROUP BY account_id`,
    [company.id],
  );
  process.stdout.write(
    `plan of the SQL yardstick: ${explained.map(({ table, type, key, rows, Extra }) => `${table} ${type} by ${key}, ${rows} rows, ${Extra}`).join('; ')}\n`,
  );
  await connection.end();
  duck.closeSync();
  kept.close();
  return results;
}
