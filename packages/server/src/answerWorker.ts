import { parentPort, workerData } from 'node:worker_threads';
import { fail } from '@ivory-ladder/core';
import type { IdsAsked, IdsGiven } from './answerThreads.ts';
import type { PlainCall } from './http/plainCall.ts';
import { plainAnswers } from './http/routes.ts';
import { type AskForIds, Counters, databaseTrouble } from './persistence/database/index.ts';
import { connectDatabase } from './persistence/openDatabase.ts';
import { type PortOptions, wirePorts } from './wirePorts.ts';

const connections = 3;
/** Of what the thread of the requests keeps in memory. */
const partOfThread = 4;

/** A thread with connections and copies of the books of its own, which answers one call after the other. */
async function main(): Promise<void> {
  const workerOptions = workerData as PortOptions & { readonly address: string };
  const options = { ...workerOptions, memoryMegabytes: workerOptions.memoryMegabytes / partOfThread };
  const database = await connectDatabase(options.databaseUrl, connections);
  const asked = new Map<number, (id: number) => void>();
  let asking = 0;
  const askForIds: AskForIds = (name, count) =>
    new Promise((resolve) => {
      asked.set(++asking, resolve);
      parentPort?.postMessage({ asking, name, count } satisfies IdsAsked);
    });
  const answer = plainAnswers(wirePorts(database, new Counters(database, askForIds), options, () => options.address));
  parentPort?.on('message', async (call: PlainCall | IdsGiven) => {
    if ('given' in call) {
      asked.get(call.given)?.(call.id);
      asked.delete(call.given);
      return;
    }
    try {
      const outcome = await answer(call);
      // Handed over, not copied.
      const bytes = outcome.ok && 'json' in outcome.value ? [outcome.value.json.buffer as ArrayBuffer] : [];
      parentPort?.postMessage({ outcome }, bytes);
    } catch (error) {
      const trouble = databaseTrouble(error);
      if (trouble) parentPort?.postMessage({ outcome: fail(trouble) });
      else parentPort?.postMessage({ error: error instanceof Error ? (error.stack ?? error.message) : String(error) });
    }
  });
  parentPort?.postMessage('ready');
}

void main();
