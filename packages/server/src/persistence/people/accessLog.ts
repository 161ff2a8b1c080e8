import type { DataSource } from 'typeorm';
import type { AccessEvent, AccessEventRecord, AccessLog } from '../../application/ports/index.ts';
import { rowsOf } from '../database/index.ts';

/** Append-only. People stand in it by id; names are looked up when it is read. */
export class AccessLogRepository implements AccessLog {
  constructor(private readonly database: DataSource) {}

  async note({ kind, actorId, personId, companyId, origin, facts }: AccessEvent): Promise<void> {
    await this.database.query(
      'INSERT INTO access_event (kind, actor_id, person_id, in_company, origin, facts, happened_at) VALUES (?, ?, ?, ?, ?, ?, UTC_TIMESTAMP(6))',
      [kind, actorId, personId, companyId, origin.slice(0, 45), JSON.stringify(facts)],
    );
  }

  async latest(most: number): Promise<AccessEventRecord[]> {
    const rows = await rowsOf<Omit<AccessEventRecord, 'id' | 'facts'> & { id: string; facts: string }>(
      this.database,
      `SELECT event.id, kind, actor_id AS actorId, event.person_id AS personId, in_company AS companyId, origin, facts, CAST(happened_at AS CHAR) AS happenedAt,
              actor.email AS actor, person.email AS person
         FROM access_event AS event LEFT JOIN person AS actor ON actor.id = event.actor_id LEFT JOIN person ON person.id = event.person_id
        ORDER BY event.id DESC LIMIT ?`,
      [most],
    );
    return rows.map((row) => ({ ...row, id: Number(row.id), facts: JSON.parse(row.facts) as Record<string, unknown> }));
  }
}
