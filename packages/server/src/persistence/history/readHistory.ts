import type { DataSource } from 'typeorm';
import type { HistoryEvent, HistoryWanted } from '../../application/ports/index.ts';
import { rowsOf } from '../database/index.ts';

/** Events newest first, page by page; what is not wanted (`null`) is not asked for. */
export async function readHistory(
  database: DataSource,
  companyId: number,
  { thing, thingId, actor, from, to, before, limit }: HistoryWanted,
): Promise<{ events: HistoryEvent[]; next: number | null }> {
  const conditions: readonly (readonly [sql: string, value: unknown])[] = [
    ['thing = ?', thing],
    ['thing_id = ?', thingId],
    ['actor LIKE ?', actor === null ? null : `%${actor.replaceAll(/[\\%_]/g, '\\$&')}%`],
    ['happened_at >= ?', from],
    ['happened_at < ? + INTERVAL 1 DAY', to],
    ['id < ?', before],
  ];
  const wanted = conditions.filter(([, value]) => value !== null);
  const rows = await rowsOf<{
    id: string;
    thing: string;
    thingId: string;
    action: string;
    before: string | null;
    after: string | null;
    happenedAt: string;
    actor: string;
    actorId: number | null;
  }>(
    database,
    `SELECT id, thing, thing_id AS thingId, action, state_before AS \`before\`, state_after AS after, happened_at AS happenedAt, actor, actor_id AS actorId FROM audit_event
      WHERE ${['company_id = ?', ...wanted.map(([sql]) => sql)].join(' AND ')} ORDER BY id DESC LIMIT ?`,
    [companyId, ...wanted.map(([, value]) => value), limit + 1],
  );
  const shared = await sharedNames(database, companyId, [...new Set(rows.map((row) => row.actor))]);
  const events = rows.slice(0, limit).map((row) => ({
    ...row,
    isNameShared: shared.has(row.actor),
    id: Number(row.id),
    thingId: Number(row.thingId),
    before: row.before === null ? null : (JSON.parse(row.before) as unknown),
    after: row.after === null ? null : (JSON.parse(row.after) as unknown),
  }));
  return { events, next: rows.length > limit ? (events.at(-1)?.id ?? null) : null };
}

async function sharedNames(database: DataSource, companyId: number, names: readonly string[]): Promise<ReadonlySet<string>> {
  if (names.length === 0) return new Set();
  const rows = await rowsOf<{ actor: string }>(
    database,
    'SELECT actor FROM audit_event WHERE company_id = ? AND actor IN (?) GROUP BY company_id, actor HAVING MIN(actor_id) <> MAX(actor_id)',
    [companyId, names],
  );
  return new Set(rows.map(({ actor }) => actor));
}
