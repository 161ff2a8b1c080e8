import type { QueryRunner } from 'typeorm';
import type { Actor, KeptLayout } from '../../application/ports/index.ts';
import { type AuditEvent, changedRows, Refused, rowsOf, timestamp } from '../database/index.ts';

/** Layouts whose texts of numbers follow accounts that are renumbered: another version of what runs, and the draft. */
export async function keepLayouts(runner: QueryRunner, companyId: number, kept: readonly KeptLayout[], actor: Actor): Promise<AuditEvent[]> {
  const events: AuditEvent[] = [];
  for (const { id, version, draft, used } of kept) {
    const [row] = await rowsOf<{ name: string; inUse: number | null; last: number | null }>(
      runner,
      `SELECT name, in_use AS inUse, (SELECT MAX(number) FROM layout_version WHERE company_id = layout.company_id AND layout_id = layout.id) AS last
         FROM layout WHERE company_id = ? AND id = ? FOR UPDATE`,
      [companyId, id],
    );
    const number = used && row ? (row.last ?? 0) + 1 : null;
    const changed = await changedRows(
      runner,
      `UPDATE layout SET ${draft ? 'draft = ?,' : ''} ${number === null ? '' : 'in_use = ?,'} changed_at = ?, changed_by = ?, changed_by_id = ?, version = version + 1
        WHERE company_id = ? AND id = ? AND version = ?`,
      [...(draft ? [JSON.stringify(draft)] : []), ...(number === null ? [] : [number]), timestamp(), actor.name, actor.personId, companyId, id, version],
    );
    // Somebody saved it meanwhile; what follows is worked out anew.
    if (changed === 0 || !row) throw new Refused({ code: 'ledger_moved_on' });
    if (number === null) continue;
    await runner.query(
      'INSERT INTO layout_version (company_id, layout_id, number, definition, reason, made_at, made_by, made_by_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
      [companyId, id, number, JSON.stringify(used), 'Its accounts were renumbered', timestamp(), actor.name, actor.personId],
    );
    events.push({
      thing: 'layout',
      thingId: id,
      action: 'changed',
      before: { name: row.name, inUse: row.inUse },
      after: { name: row.name, inUse: number, reason: 'Its accounts were renumbered' },
    });
  }
  return events;
}
