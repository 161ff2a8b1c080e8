import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import type { PastPlacementBody, PersonList, StatementBody } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ApiClient } from '../support/apiClient.ts';
import { createSchema, TestServer } from '../support/server.ts';
import { openShop } from '../support/shop.ts';

const run = promisify(execFile);
const page = readFileSync(join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'docs', 'operations.md'), 'utf8');

/** A command as the page has it. */
function commandOf(program: string): string {
  const found = page.split('\n').find((line) => line.startsWith(`${program} `));
  if (!found) throw new Error(`docs/operations.md does not say how to run ${program}`);
  return found;
}

function shell(command: string, databaseUrl: string, file: string) {
  const { hostname, port, username, password, pathname } = new URL(databaseUrl);
  const way = { HOST: hostname, PORT: port, USER: username, MYSQL_PWD: password, DATABASE: pathname.slice(1), FILE: file };
  return run('sh', ['-c', command], { env: { ...process.env, ...way } });
}

let server: TestServer;
let folder: string;
beforeAll(async () => {
  server = await TestServer.start();
  folder = mkdtempSync(join(tmpdir(), 'ivory-ladder-backup-'));
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await server.stop();
});

const span = 'from=2026-01-01&to=2026-09-30';
const wait = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

describe('a copy that is kept as the page on operations says', () => {
  it('comes back whole, the earlier placement with it, which a plain dump loses', async () => {
    const shop = await openShop(server);
    const { id, places } = await shop.find('6300');
    await wait(1100);
    const moment = new Date().toISOString().slice(0, 19).replace('T', ' ');
    await wait(1100);
    await server.ok('PUT', `${shop.path}/places`, { changes: [{ accountId: id, before: places, after: [] }] });
    const whatIsKept = async (client: ApiClient) => ({
      statement: await client.ok<StatementBody>('GET', `${shop.path}/statements/income-statement?${span}`),
      entries: await client.ok('GET', `${shop.path}/entries`),
      history: await client.ok('GET', `${shop.path}/history`),
      people: (await client.ok<PersonList>('GET', `${shop.path}/people`)).people.map(({ lastSignIn: _, ...person }) => person),
    });
    const placedThen = async (client: ApiClient) =>
      (await client.ok<PastPlacementBody>('GET', `${shop.path}/past-placement?moment=${encodeURIComponent(moment)}`)).places.filter(
        ({ accountId }) => accountId === id,
      ).length;
    expect(await placedThen(server)).toBe(1);
    const before = await whatIsKept(server);
    const outcomes: Record<string, number> = {};
    for (const [name, command] of [
      ['kept', commandOf('mariadb-dump')],
      ['plain', commandOf('mariadb-dump').replace(' --dump-history', '')],
    ] as const) {
      const file = join(folder, `${name}.sql`);
      await shell(command, server.databaseUrl, file);
      const schema = await createSchema();
      await shell(commandOf('mariadb'), schema.url, file);
      const restored = await TestServer.start({ databaseUrl: schema.url });
      expect(await whatIsKept(restored)).toEqual(before);
      outcomes[name] = await placedThen(restored);
      await restored.stop();
      await schema.drop();
    }
    expect(outcomes).toEqual({ kept: 1, plain: 0 });
  });

  it('is of a database whose account has rights on nothing else', async () => {
    const connection = await mysql.createConnection(server.databaseUrl);
    for (const sql of [
      'SELECT User FROM mysql.user',
      'CREATE DATABASE somebody_elses',
      "SELECT LOAD_FILE('/etc/passwd') IS NULL AS unread",
      'SET GLOBAL max_connections = 1',
    ]) {
      const outcome = await connection.query(sql).then(
        ([rows]) => (rows as { unread?: number }[])[0]?.unread === 1,
        ({ errno }: { errno: number }) => [1044, 1142, 1227].includes(errno),
      );
      expect([sql, outcome]).toEqual([sql, true]);
    }
    await connection.end();
  });
});
