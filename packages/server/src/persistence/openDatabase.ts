import type { Pool, PoolConnection } from 'mysql2';
import { DataSource } from 'typeorm';
import { entities } from './entities/index.ts';
import { migrations } from './migrations/index.ts';

const sessionSettings =
  "SET SESSION sql_mode = 'TRADITIONAL', time_zone = '+00:00', tx_isolation = 'READ-COMMITTED', innodb_lock_wait_timeout = 20, group_concat_max_len = 16777216, system_versioning_alter_history = KEEP";
const migrationLockSeconds = 120;
/** For a table that somebody changes, or all of them while they are copied; changing them waits for who is at work. */
const secondsForTables = { ofRequests: 20, ofMigrations: 600 };

/** The database is not one that the application can use; the reasons are for the person who set it up. */
export class DatabaseUnfit extends Error {}

/** Connects, checks the server's settings, and brings the tables up to date; several servers may start at once. */
export async function openDatabase(url: string, poolSize = 16): Promise<DataSource> {
  const ofMigrations = await connectDatabase(url, 2, secondsForTables.ofMigrations);
  try {
    await checkServer(ofMigrations);
    await migrate(ofMigrations);
  } finally {
    await ofMigrations.destroy();
  }
  return connectDatabase(url, poolSize);
}

/** Connects alone, where somebody else has looked at the server and its tables. */
export async function connectDatabase(url: string, poolSize: number, tableSeconds = secondsForTables.ofRequests): Promise<DataSource> {
  const database = new DataSource({
    type: 'mariadb',
    url,
    entities,
    migrations,
    synchronize: false,
    migrationsTableName: 'migration',
    charset: 'utf8mb4',
    timezone: 'Z',
    supportBigNumbers: true,
    bigNumberStrings: true,
    dateStrings: true,
    // Costs a stack for every query; a query that fails is told with its own.
    trace: false,
    poolSize,
    // A way that was lost on the network is found out by asking for it.
    extra: { connectionLimit: poolSize, keepAliveInitialDelay: 30_000 },
  });
  await database.initialize().catch((error: Error & { code?: string }) => {
    throw new DatabaseUnfit(`The database cannot be reached: ${whyUnreachable(url, error)}.`, { cause: error });
  });
  const { pool } = database.driver as unknown as { pool: Pool };
  const settings = `${sessionSettings}, lock_wait_timeout = ${tableSeconds}`;
  pool.on('connection', (connection: PoolConnection) => void connection.query(settings));
  // The connection that was opened before the settings were attached gets them here.
  await database.query(settings);
  return database;
}

/** What to look at, for the person who set the address; the password is never said. */
function whyUnreachable(url: string, error: Error & { code?: string }): string {
  const { hostname, port, username, pathname } = URL.canParse(url) ? new URL(url) : { hostname: '', port: '', username: '', pathname: '' };
  const server = `${hostname}:${port || 3306}`;
  switch (error.code) {
    case 'ECONNREFUSED':
    case 'ENOTFOUND':
    case 'ETIMEDOUT':
      return `no server answers at ${server} (IVORY_LADDER_DATABASE_URL)`;
    case 'ER_ACCESS_DENIED_ERROR':
      return `${server} refuses ${username} with this password`;
    case 'ER_DBACCESS_DENIED_ERROR':
      return `${server} lets ${username} do nothing in ${pathname.slice(1)}; there is no such database, or GRANT ALL ON ${pathname.slice(1)}.* is missing`;
    case 'ER_BAD_DB_ERROR':
      return `${server} has no database ${pathname.slice(1)}; make it with CREATE DATABASE ${pathname.slice(1)} CHARACTER SET utf8mb4`;
    default:
      return error.message;
  }
}

/** Big numbers as strings, dates as text, exact modes, InnoDB: anything else would bend amounts in silence. */
async function checkServer(database: DataSource): Promise<void> {
  const runner = database.createQueryRunner();
  try {
    const [row] = (await runner.query(
      'SELECT VERSION() AS version, @@default_storage_engine AS engine, @@sql_mode AS mode, @@tx_isolation AS isolation, CAST(9007199254740993 AS SIGNED) AS big',
    )) as [{ version: string; engine: string; mode: string; isolation: string; big: unknown }];
    const [major = 0, minor = 0] = row.version.split('.').map((part) => Number.parseInt(part, 10));
    const faults = [
      !/mariadb/i.test(row.version) || major < 10 || (major === 10 && minor < 11) ? `MariaDB 10.11 or later is needed, found ${row.version}` : null,
      row.engine !== 'InnoDB' ? `the default storage engine is ${row.engine}, InnoDB is needed` : null,
      !row.mode.includes('STRICT_ALL_TABLES') ? `strict SQL mode could not be set, found ${row.mode}` : null,
      row.isolation !== 'READ-COMMITTED' ? `isolation READ COMMITTED could not be set, found ${row.isolation}` : null,
      row.big !== '9007199254740993' ? 'the driver does not give big numbers as text' : null,
    ].filter((fault) => fault !== null);
    if (faults.length > 0) throw new DatabaseUnfit(`The database cannot be used: ${faults.join('; ')}.`);
  } finally {
    await runner.release();
  }
}

/** One server at a time; DDL is not transactional here, so each migration can be run again after a kill. */
async function migrate(database: DataSource): Promise<void> {
  const runner = database.createQueryRunner();
  try {
    const [row] = (await runner.query("SELECT GET_LOCK(CONCAT(DATABASE(), '.migration'), ?) AS got", [migrationLockSeconds])) as [{ got: unknown }];
    if (String(row.got) !== '1') throw new DatabaseUnfit('Another server has been changing the tables for two minutes; try again when it is done.');
    try {
      await database.runMigrations({ transaction: 'none' });
    } finally {
      await runner.query("SELECT RELEASE_LOCK(CONCAT(DATABASE(), '.migration'))");
    }
  } finally {
    await runner.release();
  }
}
