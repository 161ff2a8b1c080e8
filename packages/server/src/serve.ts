import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import type { DataSource } from 'typeorm';
import type { Ports } from './application/ports/index.ts';
import { loadDemo } from './demo/loadDemo.ts';
import { FileTableReader } from './documents/tableReader.ts';
import { writeHistoryCsv } from './documents/writeHistoryCsv.ts';
import { writeStatementCsv } from './documents/writeStatementCsv.ts';
import { writeStatementWorkbook } from './documents/writeStatementWorkbook.ts';
import { createApp } from './http/createApp.ts';
import { BooksCache } from './persistence/booksCache.ts';
import { ChartRepository } from './persistence/chartStore.ts';
import { CompanyRepository } from './persistence/companyStore.ts';
import { Counters } from './persistence/counters.ts';
import { openDatabase } from './persistence/database.ts';
import { FileRepository } from './persistence/fileStore.ts';
import { forgetOldKeys } from './persistence/idempotency.ts';
import { LedgerRepository } from './persistence/ledgerStore.ts';
import { PlacementRepository } from './persistence/placementStore.ts';

export interface ServeOptions {
  readonly databaseUrl: string;
  /** 0 takes any free port. */
  readonly port: number;
  readonly address: string;
  /** Further names the server listens as, such as a name behind a proxy. */
  readonly hosts: readonly string[];
  readonly webFolder: string;
  readonly demo: boolean;
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
  const ports = wirePorts(database);
  await forgetOldKeys(database);
  if (options.demo) await loadDemo(ports, options.say);
  const hosts = [...options.hosts];
  const app = createApp(ports, { hosts: () => hosts, webFolder: options.webFolder, log, version: '0.1.0', checkAnswers: options.checkAnswers });
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(options.port, options.address, (error) => (error ? reject(error) : resolve(listening)));
  });
  const { port } = server.address() as AddressInfo;
  hosts.push(...['127.0.0.1', 'localhost', '[::1]'].map((host) => `${host}:${port}`));
  return { url: `http://127.0.0.1:${port}`, database, stop: () => stopServing(server, database) };
}

function wirePorts(database: DataSource): Ports {
  const counters = new Counters(database);
  return {
    companies: new CompanyRepository(database, counters),
    ledger: new LedgerRepository(database, new BooksCache(database), counters),
    chart: new ChartRepository(database, counters),
    placement: new PlacementRepository(database, counters),
    files: new FileRepository(database, counters),
    tables: new FileTableReader(),
    writer: { toCsv: writeStatementCsv, toWorkbook: writeStatementWorkbook, historyToCsv: writeHistoryCsv },
    isHealthy: () => answersInTime(database),
  };
}

const secondsForAnAnswer = 2;

/** A database that hangs is as little use as one that is gone. */
function answersInTime(database: DataSource): Promise<boolean> {
  const answers = database.query('SELECT 1').then(
    () => true,
    () => false,
  );
  return Promise.race([answers, new Promise<boolean>((resolve) => setTimeout(() => resolve(false), secondsForAnAnswer * 1000).unref())]);
}

const secondsForOpenRequests = 2;

async function stopServing(server: Server, database: DataSource): Promise<void> {
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), secondsForOpenRequests * 1000).unref();
  await closed;
  await database.destroy();
}
