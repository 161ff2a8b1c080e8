import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { fail, type Outcome } from '@ivory-ladder/core';
import type { Failure } from '../application/failure.ts';
import { tableLimits } from './tableLimits.ts';
import type { WorkbookCells } from './workbookWorker.ts';

/** A thread runs the built worker: beside the bundle or its parts, or in the build's folder where this file is run from its source. */
const workerFile = ['./workbookWorker.js', '../workbookWorker.js', '../../dist/workbookWorker.js']
  .map((path) => new URL(path, import.meta.url))
  .find((url) => existsSync(fileURLToPath(url))) as URL;

/** Reads a workbook in a thread of its own, with limits on memory and time: a foreign file can do no more harm than fail. */
export function readWorkbook(content: Buffer, sheet: string | undefined): Promise<Outcome<WorkbookCells, Failure>> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(workerFile, {
      workerData: { content: new Uint8Array(content), sheet },
      resourceLimits: { maxOldGenerationSizeMb: tableLimits.workerMegabytes },
    });
    const end = (outcome: Outcome<WorkbookCells, Failure>): void => {
      clearTimeout(timer);
      void worker.terminate();
      resolve(outcome);
    };
    const timer = setTimeout(() => end(fail({ code: 'file_limit_exceeded', limit: 'time' })), tableLimits.seconds * 1000);
    worker.once('message', end);
    worker.once('error', (error: Error & { code?: string }) => {
      if (error.code === 'ERR_WORKER_OUT_OF_MEMORY') return end(fail({ code: 'file_limit_exceeded', limit: 'cells' }));
      clearTimeout(timer);
      reject(error);
    });
  });
}
