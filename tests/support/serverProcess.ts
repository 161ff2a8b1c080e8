import { type ChildProcess, spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { enterAsAdministrator, enterDemo } from './apiClient.ts';

const main = join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'packages', 'server', 'dist', 'main.js');

/** The built server in a process of its own, which can be killed at any moment and started again on the same database. */
export class ServerProcess {
  private child: ChildProcess | null = null;
  private said = '';
  private cookie = '';

  private constructor(
    readonly url: string,
    private readonly environment: Record<string, string>,
  ) {}

  static async prepare(databaseUrl: string, environment: Record<string, string> = {}): Promise<ServerProcess> {
    const port = await freePort();
    return new ServerProcess(`http://127.0.0.1:${port}`, { IVORY_LADDER_DATABASE_URL: databaseUrl, PORT: String(port), ...environment });
  }

  /** Two servers of one database know the same sessions. */
  enterAs(other: ServerProcess): void {
    this.cookie = other.cookie;
  }

  /** Starts it without waiting for more than the process. */
  launch(): void {
    this.child = spawn(process.execPath, [main], { env: { ...process.env, ...this.environment }, stdio: ['ignore', 'pipe', 'inherit'] });
    this.child.stdout?.on('data', (text) => {
      this.said += String(text);
    });
  }

  async start(): Promise<void> {
    this.launch();
    for (let tries = 0; tries < 600; tries++) {
      const isUp = await fetch(`${this.url}/api/health`).then(
        ({ ok }) => ok,
        () => false,
      );
      if (isUp) return this.enter();
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('the server process did not become healthy');
  }

  /** A session outlives the process; it is asked for once. */
  private async enter(): Promise<void> {
    if (this.cookie !== '') return;
    for (let tries = 0; tries < 50 && this.environment.IVORY_LADDER_DEMO !== '1' && !this.said.includes('/join#'); tries++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    const client = this.environment.IVORY_LADDER_DEMO === '1' ? enterDemo(this.url, 'administrator') : enterAsAdministrator(this.url, this.said);
    this.cookie = (await client).cookie;
  }

  /** SIGKILL leaves it no time for anything; SIGTERM lets it finish. */
  async end(signal: 'SIGKILL' | 'SIGTERM'): Promise<void> {
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await ended;
  }

  /** Status and body of a call, or `null` where the server went away before it answered. */
  async call<Body>(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<{ status: number; body: Body } | null> {
    const isFile = typeof body === 'string';
    try {
      const response = await fetch(`${this.url}/api${path}`, {
        method,
        headers: {
          Origin: this.url,
          'X-Ivory-Ladder': '1',
          Cookie: this.cookie,
          'Content-Type': isFile ? 'application/octet-stream' : 'application/json',
          ...headers,
        },
        ...(body === undefined ? {} : { body: isFile ? body : JSON.stringify(body) }),
      } as RequestInit);
      return { status: response.status, body: (await response.json()) as Body };
    } catch {
      return null;
    }
  }

  /** The body of a call that must be answered and succeed. */
  async ok<Body>(method: string, path: string, body?: unknown): Promise<Body> {
    const answer = await this.call<Body>(method, path, body);
    if (!answer || answer.status >= 300) throw new Error(`${method} ${path}: ${JSON.stringify(answer)}`);
    return answer.body;
  }
}

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => (address && typeof address === 'object' ? resolve(address.port) : reject(new Error('no port'))));
    });
  });
}
