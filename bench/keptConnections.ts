import { Agent, request } from 'node:http';
import type { ApiClient } from '../tests/support/apiClient.ts';

/** Less than a server keeps one that nothing is asked on. */
const millisecondsKept = 4000;

/**
 * Calls over kept connections, as a browser makes them: the answer packed, to its last byte. Beside `ApiClient` it does not
 * spend the machine's time on unpacking and parsing what nobody looks at.
 */
export class KeptConnections {
  private readonly agent = new Agent({ keepAlive: true, timeout: millisecondsKept });
  private readonly url: URL;

  constructor(private readonly client: ApiClient) {
    this.url = new URL(client.url);
  }

  /** Throws where the answer is not a success. */
  call(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<void> {
    const content = body === undefined ? null : JSON.stringify(body);
    return new Promise((resolve, reject) => {
      const asked = request(
        {
          agent: this.agent,
          host: this.url.hostname,
          port: this.url.port,
          method,
          path: `/api${path}`,
          headers: {
            Origin: this.client.url,
            'X-Ivory-Ladder': '1',
            Cookie: this.client.cookie,
            'Accept-Encoding': 'gzip, br',
            ...(content === null ? {} : { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(content) }),
            ...headers,
          },
        },
        (answer) => {
          answer.on('error', reject).on('end', () => ((answer.statusCode ?? 500) < 300 ? resolve() : reject(new Error(`${path}: ${answer.statusCode}`))));
          answer.resume();
        },
      );
      asked.on('error', reject).end(content ?? undefined);
    });
  }

  close(): void {
    this.agent.destroy();
  }
}
