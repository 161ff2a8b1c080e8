import { randomBytes } from 'node:crypto';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Problem } from '@ivory-ladder/contract';
import { type Serving, serve } from '@ivory-ladder/server';
import mysql from 'mysql2/promise';

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

export interface Answer<Body> {
  readonly status: number;
  readonly body: Body;
  readonly headers: Headers;
}

/** A real server on a schema of its own, with answers checked against the contract, and a client that speaks as our page does. */
export class TestServer {
  private constructor(
    readonly serving: Serving,
    readonly databaseUrl: string,
    private readonly drop: () => Promise<void>,
  ) {}

  static async start(options: { demo?: boolean; databaseUrl?: string } = {}): Promise<TestServer> {
    const schema = options.databaseUrl ? { url: options.databaseUrl, drop: async () => undefined } : await createSchema();
    const serving = await serve({
      databaseUrl: schema.url,
      port: 0,
      address: '127.0.0.1',
      hosts: [],
      webFolder: join(root, 'packages', 'web', 'dist'),
      demo: options.demo ?? false,
      checkAnswers: true,
      logLevel: 'error',
      say: () => undefined,
    });
    return new TestServer(serving, schema.url, schema.drop);
  }

  async stop(): Promise<void> {
    await this.serving.stop();
    await this.drop();
  }

  async call<Body>(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Answer<Body>> {
    const isFile = body instanceof Uint8Array;
    const response = await fetch(`${this.serving.url}/api${path}`, {
      method,
      headers: {
        Origin: this.serving.url,
        'X-Ivory-Ladder': '1',
        ...(body === undefined ? {} : { 'Content-Type': isFile ? 'application/octet-stream' : 'application/json' }),
        ...headers,
      },
      ...(body === undefined ? {} : { body: isFile ? new Uint8Array(body) : JSON.stringify(body) }),
    });
    const text = await response.text();
    return { status: response.status, body: (text === '' ? null : JSON.parse(text)) as Body, headers: response.headers };
  }

  /** The body of a call that must succeed. */
  async ok<Body>(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Body> {
    const answer = await this.call<Body>(method, path, body, headers);
    if (answer.status >= 300) throw new Error(`${method} ${path}: ${answer.status} ${JSON.stringify(answer.body)}`);
    return answer.body;
  }

  /** The problem of a call that must be refused. */
  async refused(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Problem> {
    const answer = await this.call<Problem>(method, path, body, headers);
    if (answer.status < 400) throw new Error(`${method} ${path} was not refused: ${answer.status}`);
    return answer.body;
  }

  async bytes(path: string): Promise<Uint8Array> {
    const response = await fetch(`${this.serving.url}/api${path}`);
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
    return new Uint8Array(await response.arrayBuffer());
  }
}
