import { randomBytes } from 'node:crypto';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type ServeOptions, type Serving, serve } from '@ivory-ladder/server';
import mysql from 'mysql2/promise';
import { ApiClient, enterAsAdministrator, enterDemo } from './apiClient.ts';
import { fillFromTemplate, keepAsTemplate } from './schemaTemplates.ts';

const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

/** The address of the MariaDB that the test script started, without a schema. */
function databaseServer(): string {
  const url = process.env.IVORY_LADDER_TEST_DATABASE_URL;
  if (!url) throw new Error('run the tests with npm test, which starts their database');
  return url.replace(/\/[^/]*$/, '');
}

/** A new, empty schema; dropped by `drop`. */
export async function createSchema(): Promise<{ url: string; drop: () => Promise<void> }> {
  const name = `test_${process.pid}_${randomBytes(5).toString('hex')}`;
  const run = async (sql: string) => {
    const connection = await mysql.createConnection(databaseServer());
    await connection.query(sql);
    await connection.end();
  };
  await run(`CREATE DATABASE ${name} CHARACTER SET utf8mb4`);
  return { url: `${databaseServer()}/${name}`, drop: () => run(`DROP DATABASE ${name}`) };
}

const littlePasswordWork = 10;

let shared: Promise<TestServer> | null = null;

/** A real server on a schema of its own, with answers checked against the contract, and a client of its administrator. */
export class TestServer extends ApiClient {
  private constructor(
    readonly serving: Serving,
    readonly databaseUrl: string,
    /** `null`: others use it too. */
    private readonly drop: (() => Promise<void>) | null,
    cookie: string,
  ) {
    super(serving.url, cookie);
  }

  /**
   * One for all files that a worker runs, where they look at companies of their own alone: to begin one with its threads takes a second. It ends with the
   * worker; its schema goes before the next run of all tests.
   */
  static async shared(): Promise<TestServer> {
    shared ??= TestServer.start();
    const { serving, databaseUrl, cookie } = await shared;
    return new TestServer(serving, databaseUrl, null, cookie);
  }

  static async start(
    options: Partial<
      Pick<ServeOptions, 'demo' | 'databaseUrl' | 'mailServer' | 'isBehindTls' | 'shareLimits' | 'mostHeavyAMinute' | 'passwordWork' | 'memoryMegabytes'>
    > = {},
  ): Promise<TestServer> {
    const schema = options.databaseUrl ? { url: options.databaseUrl, drop: async () => undefined } : await createSchema();
    const template = options.demo ? 'demo' : 'empty';
    const kept = options.databaseUrl || options.passwordWork ? null : await fillFromTemplate(template, schema.url);
    const said: string[] = [];
    const serving = await serve({
      databaseUrl: schema.url,
      port: 0,
      address: '127.0.0.1',
      hosts: [],
      webFolder: join(root, 'packages', 'web', 'dist'),
      demo: options.demo ?? false,
      isBehindTls: options.isBehindTls ?? false,
      idleMinutes: 0,
      shareLimits: options.shareLimits ?? { ofCompany: 0, ofPerson: 0 },
      memoryMegabytes: options.memoryMegabytes ?? 512,
      // Signing in itself is tried with more.
      passwordWork: options.passwordWork ?? littlePasswordWork,
      mostHeavyAMinute: options.mostHeavyAMinute ?? 0,
      mailServer: options.mailServer ?? null,
      publicUrl: null,
      isLongRunning: false,
      checkAnswers: true,
      logLevel: 'error',
      say: (text) => void said.push(text),
    });
    if (kept !== null) return new TestServer(serving, schema.url, schema.drop, kept);
    const { cookie } = options.demo ? await enterDemo(serving.url, 'administrator') : await enterAsAdministrator(serving.url, said.join('\n'));
    if (!options.databaseUrl && !options.passwordWork) await keepAsTemplate(template, schema.url, cookie);
    return new TestServer(serving, schema.url, schema.drop, cookie);
  }

  async stop(): Promise<void> {
    if (this.drop === null) return;
    await this.serving.stop();
    await this.drop();
  }
}
