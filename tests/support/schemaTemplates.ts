import { execFile } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';

const run = promisify(execFile);

/** Of one run of all tests: where what a server has begun with is kept, since each begins with the same. Without it every server makes its own. */
const folder = process.env.IVORY_LADDER_TEST_TEMPLATES;
/** As docs/operations.md has it. */
const dump = 'mariadb-dump --single-transaction --skip-lock-tables --dump-history --default-character-set=utf8mb4';

export type TemplateName = 'empty' | 'demo';

function pathOf(name: TemplateName): { sql: string; cookie: string; claim: string } {
  const base = join(folder ?? '', name);
  return { sql: `${base}.sql`, cookie: `${base}.cookie`, claim: `${base}.claim` };
}

/** Brings what was kept into an empty schema; the cookie of its administrator, or `null` where nothing is kept yet. */
export async function fillFromTemplate(name: TemplateName, databaseUrl: string): Promise<string | null> {
  if (!folder || !existsSync(pathOf(name).sql)) return null;
  const { sql, cookie } = pathOf(name);
  await shell(`mariadb --default-character-set=utf8mb4 $WAY "$DATABASE" < "${sql}"`, databaseUrl);
  return readFileSync(cookie, 'utf8');
}

/** Keeps what a server has begun with, if nobody else does; before anything is done with it. */
export async function keepAsTemplate(name: TemplateName, databaseUrl: string, cookieOfIt: string): Promise<void> {
  if (!folder) return;
  const { sql, cookie, claim } = pathOf(name);
  try {
    mkdirSync(folder, { recursive: true });
    mkdirSync(claim);
  } catch {
    return;
  }
  writeFileSync(cookie, cookieOfIt);
  await shell(`${dump} $WAY "$DATABASE" > "${sql}.part"`, databaseUrl);
  // There at once and whole.
  renameSync(`${sql}.part`, sql);
}

function shell(command: string, databaseUrl: string): Promise<unknown> {
  const { hostname, port, username, password, pathname } = new URL(databaseUrl);
  const way = `--host=${hostname} --port=${port} --user=${username}`;
  return run('sh', ['-c', command], { env: { ...process.env, WAY: way, MYSQL_PWD: password, DATABASE: pathname.slice(1) } });
}
