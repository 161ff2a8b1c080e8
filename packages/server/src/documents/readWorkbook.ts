import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { fail, type Outcome } from '@ivory-ladder/core';
import type { Failure } from '../application/failure.ts';
import { tableLimits } from './tableLimits.ts';
import type { WorkbookCells } from './workbookWorker.ts';

/** Beside this file when run from sources, beside the bundle when built. */
const builtWorker = new URL('./workbookWorker.js', import.meta.url);
const isBuilt = existsSync(fileURLToPath(builtWorker));

/** Reads a workbook in a thread of its own, with limits on memory and time: a foreign file can do no more harm than fail. */
export function readWorkbook(content: Buffer, sheet: string | undefined): Promise<Outcome<WorkbookCells, Failure>> {
  return new Promise((resolve) => {
    const worker = new Worker(isBuilt ? builtWorker : new URL('./workbookWorker.ts', import.meta.url), {
      workerData: { content: new Uint8Array(content), sheet },
      resourceLimits: { maxOldGenerationSizeMb: tableLimits.workerMegabytes },
      execArgv: isBuilt ? [] : ['--import', 'tsx'],
    });
    const end = (outcome: Outcome<WorkbookCells, Failure>): void => {
      clearTimeout(timer);
      void worker.terminate();
      resolve(outcome);
    };
    const timer = setTimeout(() => end(fail({ code: 'file_limit_exceeded', limit: 'time' })), tableLimits.seconds * 1000);
    worker.once('message', end);
    worker.once('error', () => end(fail({ code: 'file_limit_exceeded', limit: 'cells' })));
  });
}
