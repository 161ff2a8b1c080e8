import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { fail, type Outcome } from '@ivory-ladder/core';
import type { Failure } from './application/failure.ts';
import type { AnswerElsewhere, PlainAnswer, PlainCall } from './http/plainCall.ts';
import type { AskForIds, Counters } from './persistence/database/index.ts';
import type { PortOptions } from './wirePorts.ts';

const mostThreads = 3;
const megabytes = 1024;
/** What is new is looked through more often, and takes less room meanwhile. */
const youngMegabytes = 8;
/** Imports may take long, and leave room for the rest, which waits in a line of its own. */
const bounds = {
  answers: { atOnce: 2, waiting: 40, seconds: 90 },
  imports: { atOnce: 2, waiting: 40, seconds: 1800 },
} as const;
type Lane = keyof typeof bounds;
/** Begun once for all: what was asked for is done though nobody waits for the answer, or ends by itself. */
const endsByItself = /^(post|apply|readJournal)/;

/** The built worker: beside the bundle or its parts, or in the build's folder where this file is run from its source. */
const workerFile = ['./answerWorker.js', '../answerWorker.js', '../dist/answerWorker.js']
  .map((path) => new URL(path, import.meta.url))
  .find((url) => existsSync(fileURLToPath(url)));

/** A worker asks for ids, which all threads take from one place. */
export interface IdsAsked {
  readonly asking: number;
  readonly name: Parameters<AskForIds>[0];
  readonly count: number | null;
}

export interface IdsGiven {
  readonly given: number;
  readonly id: number;
}

interface Waiting {
  readonly call: PlainCall;
  readonly left: AbortSignal;
  readonly settle: (outcome: Outcome<PlainAnswer, Failure>) => void;
  readonly refuse: (error: Error) => void;
}

interface Line {
  running: number;
  readonly waiting: Waiting[];
}

/**
 * Threads that answer what takes long, so that the thread of the requests never does. One call at a time in each; a call that nobody waits for
 * any more, that takes too long or too much memory is ended with its thread, and what it had begun in the database is rolled back.
 */
export class AnswerThreads {
  private readonly idle: Worker[] = [];
  private readonly all = new Set<Worker>();
  private readonly lines: Readonly<Record<Lane, Line>> = { answers: { running: 0, waiting: [] }, imports: { running: 0, waiting: [] } };

  constructor(
    private readonly counters: Counters,
    private readonly options: PortOptions,
    private readonly address: () => string,
  ) {}

  readonly answer: AnswerElsewhere = (call, left) => {
    const lane = laneOf(call);
    const { waiting } = this.lines[lane];
    if (waiting.length >= bounds[lane].waiting) return Promise.resolve(fail<Failure>({ code: 'busy' }));
    return new Promise((settle, refuse) => {
      waiting.push({ call, left, settle, refuse });
      this.next();
    });
  };

  /** Begins one, so that the first who asks does not wait for that. */
  warm(): void {
    if (this.all.size === 0) this.idle.push(this.begin());
  }

  async stop(): Promise<void> {
    await Promise.all([...this.all].map((worker) => worker.terminate()));
  }

  private next(): void {
    for (const lane of ['answers', 'imports'] as const) {
      const line = this.lines[lane];
      while (line.waiting.length > 0 && line.running < bounds[lane].atOnce) {
        const worker = this.idle.pop() ?? (this.all.size < mostThreads ? this.begin() : undefined);
        if (!worker) return;
        line.running++;
        this.give(worker, line.waiting.shift() as Waiting, lane);
      }
    }
  }

  private begin(): Worker {
    if (!workerFile) throw new Error('the worker is not built');
    const worker = new Worker(workerFile, {
      workerData: { ...this.options, address: this.address() },
      resourceLimits: { maxOldGenerationSizeMb: megabytes, maxYoungGenerationSizeMb: youngMegabytes },
    });
    this.all.add(worker);
    worker.on('message', (message: IdsAsked | string | object) => {
      if (typeof message === 'object' && 'asking' in message) void this.giveIds(worker, message as IdsAsked);
    });
    // One that ends while nobody waits for it is not given a call any more.
    const forget = (): void => {
      this.all.delete(worker);
      if (this.idle.includes(worker)) this.idle.splice(this.idle.indexOf(worker), 1);
    };
    worker.on('error', forget);
    worker.on('exit', forget);
    return worker;
  }

  private async giveIds(worker: Worker, { asking, name, count }: IdsAsked): Promise<void> {
    try {
      const id = count === null ? await this.counters.next(name) : await this.counters.run(name, count);
      worker.postMessage({ given: asking, id } satisfies IdsGiven);
    } catch (error) {
      // Without its ids it could only wait: it ends, and who waits for it hears why.
      worker.emit('error', error);
    }
  }

  private give(worker: Worker, { call, left, settle, refuse }: Waiting, lane: Lane): void {
    const isLeftAlone = call.asked.idempotencyKey !== null || endsByItself.test(call.name);
    /** Told once the thread does nothing any more. */
    const end = async (isReusable: boolean, tell: () => void): Promise<void> => {
      clearTimeout(timer);
      left.removeEventListener('abort', onLeft);
      // Each by name: without all of its listeners a worker is never heard again.
      worker.off('message', onMessage);
      worker.off('error', onError);
      if (isReusable) this.idle.push(worker);
      else {
        this.all.delete(worker);
        await worker.terminate();
      }
      this.lines[lane].running--;
      tell();
      this.next();
    };
    const onLeft = (): void => {
      if (!isLeftAlone) void end(false, () => settle(fail({ code: 'busy' })));
    };
    const timer = setTimeout(() => void end(false, () => settle(fail({ code: 'file_limit_exceeded', limit: 'time' }))), bounds[lane].seconds * 1000);
    const onMessage = (message: 'ready' | IdsAsked | { outcome: Outcome<PlainAnswer, Failure> } | { error: string }): void => {
      if (message === 'ready' || 'asking' in message) return;
      void end(true, () => ('outcome' in message ? settle(message.outcome) : refuse(new Error(message.error))));
    };
    const onError = (error: Error & { code?: string }): void => {
      const isTooMuch = error.code === 'ERR_WORKER_OUT_OF_MEMORY';
      void end(false, () => (isTooMuch ? settle(fail({ code: 'file_limit_exceeded', limit: 'cells' })) : refuse(error)));
    };
    worker.on('message', onMessage);
    worker.on('error', onError);
    left.addEventListener('abort', onLeft);
    // Whoever went away while it waited leaves the thread as it is.
    if (left.aborted && !isLeftAlone) return void end(true, () => settle(fail({ code: 'busy' })));
    worker.postMessage(call);
  }
}

function laneOf({ name }: PlainCall): Lane {
  return name === 'readJournal' ? 'imports' : 'answers';
}
