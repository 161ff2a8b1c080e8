import { performance } from 'node:perf_hooks';
import { ApiClient } from '../tests/support/apiClient.ts';
import { ServerProcess } from '../tests/support/serverProcess.ts';
import { median, type Result } from './measure.ts';

const starts = 3;
const bar = 1500;

/** The first statement that a server answers once it listens: another server on the same database, begun anew each time, which has nothing in memory. */
export async function measureColdStart(client: ApiClient, databaseUrl: string, path: string, size: string): Promise<Result> {
  const times: number[] = [];
  for (let start = 0; start < starts; start++) {
    const server = await ServerProcess.prepare(databaseUrl, { IVORY_LADDER_DEMO: '1' });
    await server.start();
    const cold = new ApiClient(server.url, client.cookie);
    const began = performance.now();
    await cold.ok('GET', path);
    times.push(performance.now() - began);
    await server.end('SIGTERM');
  }
  return {
    name: `first answer of a server that has just begun, ${size}, 2,000 accounts × 36 periods`,
    product: median(times),
    productMin: Math.min(...times),
    productMax: Math.max(...times),
    yardstick: null,
    yardstickMin: null,
    yardstickMax: null,
    unit: 'ms',
    ratio: null,
    bar: `under ${bar} ms at the median`,
    holds: median(times) < bar,
  };
}
