import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import type { Ports } from './application/ports.ts';
import { loadDemo } from './demo/loadDemo.ts';
import { FileTableReader } from './documents/tableReader.ts';
import { createApp } from './http/createApp.ts';
import { BooksCache } from './persistence/booksCache.ts';
import { CompanyRepository } from './persistence/companyStore.ts';
import { Counters } from './persistence/counters.ts';
import { DatabaseUnfit, openDatabase } from './persistence/database.ts';
import { FileRepository } from './persistence/fileStore.ts';
import { forgetOldKeys } from './persistence/idempotency.ts';
import { LedgerRepository } from './persistence/ledgerStore.ts';
import { PlacementRepository } from './persistence/placementStore.ts';

const log = pino({ level: process.env.LOG_LEVEL ?? 'warn', redact: ['req.headers.cookie', 'req.headers.authorization'] });

async function main(): Promise<void> {
  const url = process.env.IVORY_LADDER_DATABASE_URL;
  const port = Number(process.env.PORT ?? 4380);
  const address = process.env.IVORY_LADDER_LISTEN ?? '127.0.0.1';
  if (!url) throw new DatabaseUnfit('IVORY_LADDER_DATABASE_URL is not set; npm start sets it to a database of its own.');
  const database = await openDatabase(url);
  const counters = new Counters(database);
  const cache = new BooksCache(database);
  const ports: Ports = {
    companies: new CompanyRepository(database, counters),
    ledger: new LedgerRepository(database, cache, counters),
    placement: new PlacementRepository(database, counters),
    files: new FileRepository(database, counters),
    tables: new FileTableReader(),
    isHealthy: () =>
      database.query('SELECT 1').then(
        () => true,
        () => false,
      ),
  };
  await forgetOldKeys(database);
  if (process.env.IVORY_LADDER_DEMO === '1') await loadDemo(ports, (text) => void process.stdout.write(`${text}\n`));
  const named = (process.env.IVORY_LADDER_HOSTS ?? '').split(',').filter((host) => host !== '');
  const hosts = [...['127.0.0.1', 'localhost', '[::1]'].map((host) => `${host}:${port}`), ...named];
  const app = createApp(ports, {
    hosts: () => hosts,
    webFolder: process.env.IVORY_LADDER_WEB ?? join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'web', 'dist'),
    log,
    version: '0.1.0',
    checkAnswers: process.env.IVORY_LADDER_CHECK_ANSWERS === '1',
  });
  const server = app.listen(port, address, (error) => {
    if (error) {
      process.stderr.write(`Port ${port} cannot be listened on: ${error.message}\n`);
      process.exit(1);
    }
  });
  const stop = (): void => {
    server.close(() => void database.destroy().then(() => process.exit(0)));
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), 2000).unref();
  };
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, stop);
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof DatabaseUnfit ? error.message : (error as Error).stack}\n`);
  process.exit(1);
});
