import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import type { DataSource } from 'typeorm';
import { AnswerThreads } from './answerThreads.ts';
import { makeFirstLink } from './application/people/index.ts';
import type { Ports } from './application/ports/index.ts';
import { loadDemo } from './demo/loadDemo.ts';
import { createApp } from './http/createApp.ts';
import { listenWith } from './http/listenWith.ts';
import { type MailServer, smtp } from './mail/smtp.ts';
import { Counters, DatabaseWatch, databaseTrouble, type ShareLimits } from './persistence/database/index.ts';
import { forgetUnneeded } from './persistence/jobs/index.ts';
import { openDatabase } from './persistence/openDatabase.ts';
import { sessionSecret } from './persistence/people/index.ts';
import { wirePorts } from './wirePorts.ts';
import { startWork } from './work.ts';

export interface ServeOptions {
  readonly databaseUrl: string;
  /** 0 takes any free port. */
  readonly port: number;
  readonly address: string;
  /** Further names the server listens as, such as a name behind a proxy. */
  readonly hosts: readonly string[];
  readonly webFolder: string;
  readonly demo: boolean;
  /** Behind a proxy that speaks TLS: cookies go over TLS only. */
  readonly isBehindTls: boolean;
  /** A session that nobody uses for so long ends; 0: it stays its day. */
  readonly idleMinutes: number;
  readonly shareLimits: ShareLimits;
  /** What is kept of companies in memory between requests. */
  readonly memoryMegabytes: number;
  /** The power of two of what a hash of a password takes; less for tests, since it costs time. */
  readonly passwordWork: number;
  /** Of what is heavy, by one person; 0: as much as there comes. */
  readonly mostHeavyAMinute: number;
  /** `null`: letters stay in the outbox. */
  readonly mailServer: MailServer | null;
  /** Where people reach the application, for links in letters; `null`: where it listens. */
  readonly publicUrl: string | null;
  /** Worth beginning what somebody may ask for later. */
  readonly isLongRunning: boolean;
  readonly checkAnswers: boolean;
  readonly logLevel: string;
  readonly say: (text: string) => void;
}

export interface Serving {
  readonly url: string;
  readonly database: DataSource;
  stop(): Promise<void>;
}

/** The only wiring: database, stores, application and HTTP, made to one running server. */
export async function serve(options: ServeOptions): Promise<Serving> {
  const log = pino({ level: options.logLevel, redact: ['req.headers.cookie', 'req.headers.authorization'] });
  const database = await openDatabase(options.databaseUrl);
  let url = '';
  const { databaseUrl, idleMinutes, shareLimits, passwordWork, mostHeavyAMinute, memoryMegabytes } = options;
  const portOptions = { databaseUrl, idleMinutes, shareLimits, passwordWork, memoryMegabytes, hasMailServer: options.mailServer !== null };
  const counters = new Counters(database);
  const ports = wirePorts(database, counters, portOptions, () => options.publicUrl ?? url);
  if (options.demo) await loadDemo(ports, options.say);
  const hosts = [...options.hosts];
  const { isBehindTls, checkAnswers, webFolder } = options;
  const session = { secret: await sessionSecret(database), isBehindTls };
  const threads = new AnswerThreads(counters, portOptions, () => options.publicUrl ?? url);
  const watch = new DatabaseWatch(databaseUrl);
  const app = createApp(ports, {
    elsewhere: threads.answer,
    mostHeavyAMinute,
    listenForHang: (giveUp) => watch.listen(giveUp),
    hosts: () => hosts,
    webFolder,
    log,
    session,
    version: '0.1.0',
    checkAnswers,
    isDemo: options.demo,
    troubleOf: databaseTrouble,
  });
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = listenWith(app);
    listening.once('error', reject);
    listening.listen(options.port, options.address, () => resolve(listening));
  });
  const { port } = server.address() as AddressInfo;
  hosts.push(...['127.0.0.1', 'localhost', '[::1]'].map((host) => `${host}:${port}`));
  url = `http://127.0.0.1:${port}`;
  if (!options.demo) await offerFirstLink(ports, url, options.say);
  if (options.isLongRunning) threads.warm();
  const work = startWork(ports, options.mailServer && smtp(options.mailServer), () => forgetUnneeded(database), log);
  return {
    url,
    database,
    stop: async () => {
      await work.stop();
      await threads.stop();
      watch.stop();
      await stopServing(server, database);
    },
  };
}

/** Until there is an administrator, each start says a new link that makes one; earlier ones stop working. */
async function offerFirstLink(ports: Ports, url: string, say: (text: string) => void): Promise<void> {
  const token = await makeFirstLink(ports);
  if (token !== null) say(`There is no administrator yet. Become the first with this link, once, within a week:\n  ${url}/join#${token}`);
}

const secondsForOpenRequests = 2;

async function stopServing(server: Server, database: DataSource): Promise<void> {
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), secondsForOpenRequests * 1000).unref();
  await closed;
  await database.destroy();
}
