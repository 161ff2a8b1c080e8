import { Worker } from 'node:worker_threads';
import type { ApiClient } from '../tests/support/apiClient.ts';

/** Plain JavaScript, since a thread is not begun through the loader of this process. */
const source = `
const { parentPort, workerData: { url, cookie, path, least, pause } } = require('node:worker_threads');
let isOver = false;
parentPort.on('message', () => { isOver = true; });
(async () => {
  const times = [];
  for (let warm = 0; warm < 10; warm++) await (await fetch(url + '/api' + path, { headers: { Cookie: cookie } })).arrayBuffer();
  parentPort.postMessage('ready');
  while (!isOver || times.length < least) {
    const start = performance.now();
    const answer = await fetch(url + '/api' + path, { headers: { Cookie: cookie } });
    await answer.arrayBuffer();
    times.push(performance.now() - start);
    await new Promise((resolve) => setTimeout(resolve, pause));
  }
  parentPort.postMessage(times);
  parentPort.close();
})();
`;

/** Asks for a path again and again in a thread of its own, which nothing else of this process holds up; milliseconds of each answer once it is told to stop. */
export async function askAgainAndAgain(
  { url, cookie }: ApiClient,
  path: string,
  { least, pause }: { least: number; pause: number },
): Promise<{ stop: () => Promise<number[]> }> {
  const thread = new Worker(source, { eval: true, workerData: { url, cookie, path, least, pause } });
  await new Promise((resolve, reject) => {
    thread.once('message', resolve);
    thread.once('error', reject);
  });
  return {
    stop: () =>
      new Promise((resolve, reject) => {
        thread.once('message', resolve);
        thread.once('error', reject);
        thread.postMessage('stop');
      }),
  };
}
