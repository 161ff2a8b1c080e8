import { performance } from 'node:perf_hooks';
import { ApiClient } from '../tests/support/apiClient.ts';
import { ServerProcess } from '../tests/support/serverProcess.ts';
import { median, ofRounds, type Result } from './measure.ts';
import { undisturbed } from './stolenTime.ts';

const starts = 3;
const bar = 1500;

/** The first statement that a server answers once it listens: another server on the same database, begun anew each time, which has nothing in memory. */
export async function measureColdStart(client: ApiClient, databaseUrl: string, path: string, size: string): Promise<Result> {
  const times = await undisturbed('a first answer', starts, async () => {
    const server = await ServerProcess.prepare(databaseUrl, { IVORY_LADDER_DEMO: '1' });
    await server.start();
    const cold = new ApiClient(server.url, client.cookie);
    const began = performance.now();
    await cold.ok('GET', path);
    const took = performance.now() - began;
    await server.end('SIGTERM');
    return took;
  });
  return ofRounds(`first answer of a server that has just begun, ${size}, 2,000 accounts × 36 periods`, times, {
    unit: 'ms',
    bar: `under ${bar} ms at the median`,
    holds: median(times) < bar,
  });
}
