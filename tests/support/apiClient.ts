import { type Problem, problem } from '@ivory-ladder/contract';
import type { Role } from '@ivory-ladder/core';

export interface Answer<Body> {
  readonly status: number;
  readonly body: Body;
  readonly headers: Headers;
}

/** A problem whose facts a test compares with what it expects. */
type Told = Omit<Problem, 'facts'> & { readonly facts: Record<string, unknown> };

/** Speaks to a running server as our page does, as somebody who is signed in or as nobody. */
export class ApiClient {
  constructor(
    readonly url: string,
    /** `name=value` of the session's cookie; empty for nobody. */
    public cookie = '',
  ) {}

  async call<Body>(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Answer<Body>> {
    const isFile = body instanceof Uint8Array;
    const response = await fetch(`${this.url}/api${path}`, {
      method,
      headers: {
        Origin: this.url,
        'X-Ivory-Ladder': '1',
        Cookie: this.cookie,
        ...(body === undefined ? {} : { 'Content-Type': isFile ? 'application/octet-stream' : 'application/json' }),
        ...headers,
      },
      ...(body === undefined ? {} : { body: isFile ? new Uint8Array(body) : JSON.stringify(body) }),
    });
    const text = await response.text();
    const content = /json/.test(response.headers.get('content-type') ?? '') ? JSON.parse(text) : null;
    if (response.status >= 400) this.mustBeProblem(`${method} ${path}`, content);
    return { status: response.status, body: content as Body, headers: response.headers };
  }

  /** Whatever a test is about: what is refused is told as the contract says, with these facts and no others. */
  private mustBeProblem(asked: string, content: unknown): void {
    const parsed = problem.safeParse(content);
    if (!parsed.success) throw new Error(`${asked} was refused with what is no problem of the contract: ${JSON.stringify(content)}; ${parsed.error.message}`);
  }

  /** The body of a call that must succeed. */
  async ok<Body>(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Body> {
    const answer = await this.call<Body>(method, path, body, headers);
    if (answer.status >= 300) throw new Error(`${method} ${path}: ${answer.status} ${JSON.stringify(answer.body)}`);
    return answer.body;
  }

  /** A company by its name; of the demo, the one that its screens are shown with. */
  async companyId(name = 'Eiderholm Ferry Company'): Promise<number> {
    const { companies } = await this.ok<{ companies: { id: number; name: string }[] }>('GET', '/companies');
    const found = companies.find((company) => company.name === name);
    if (!found) throw new Error(`there is no company ${name}`);
    return found.id;
  }

  /** The problem of a call that must be refused. */
  async refused(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Told> {
    const answer = await this.call<Told>(method, path, body, headers);
    if (answer.status < 400) throw new Error(`${method} ${path} was not refused: ${answer.status}`);
    return answer.body;
  }

  async bytes(path: string): Promise<Uint8Array> {
    const response = await fetch(`${this.url}/api${path}`, { headers: { Cookie: this.cookie } });
    if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
    return new Uint8Array(await response.arrayBuffer());
  }

  /** Sends what signs somebody in, and is that person from now on. */
  async enter(path: string, body: unknown): Promise<this> {
    const answer = await this.call('POST', path, body);
    if (answer.status >= 300) throw new Error(`POST ${path}: ${answer.status} ${JSON.stringify(answer.body)}`);
    this.cookie = cookieOf(answer.headers);
    return this;
  }
}

export function cookieOf(headers: Headers): string {
  return (
    headers
      .getSetCookie()
      .find((one) => one.startsWith('ivory_ladder_session='))
      ?.split(';')[0] ?? ''
  );
}

/** A client in a role of the demo. */
export function enterDemo(url: string, role: Role): Promise<ApiClient> {
  return new ApiClient(url).enter('/session/demo', { role });
}

export const testAdministrator = { name: 'Asta Holm', email: 'asta.holm@example.org', password: 'tide over the quay' } as const;

/** The administrator that the tests make with the first link; signs in where there is one already. */
export function enterAsAdministrator(url: string, said: string): Promise<ApiClient> {
  const token = /\/join#(\S+)/.exec(said)?.[1];
  const { email, password } = testAdministrator;
  return token ? new ApiClient(url).enter('/links/use', { token, ...testAdministrator }) : new ApiClient(url).enter('/session', { email, password });
}
