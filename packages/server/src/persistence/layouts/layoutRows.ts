import type { QueryRunner } from 'typeorm';
import type { Actor, KeptLayout } from '../../application/ports/index.ts';
import { type AuditEvent, changeVersioned, exactTimestamp, insertIn, Refused, rowsOf } from '../database/index.ts';
import { LayoutEntity, LayoutVersionEntity } from '../entities/layoutEntities.ts';

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
    const set = { ...(draft ? { draft: JSON.stringify(draft) } : {}), ...(number === null ? {} : { inUse: number }), ...changedNow(actor) };
    const isChanged = await changeVersioned(runner, LayoutEntity, companyId, { id, version }, set);
    // Somebody saved it meanwhile; what follows is worked out anew.
    if (!isChanged || !row) throw new Refused({ code: 'ledger_moved_on' });
    if (number === null) continue;
    const definition = JSON.stringify(used);
    await insertIn(runner, LayoutVersionEntity, companyId, { layoutId: id, number, definition, reason: 'Its accounts were renumbered', ...madeNow(actor) });
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

export const changedNow = ({ name, personId }: Actor) => ({ changedAt: exactTimestamp(), changedBy: name, changedById: personId });

export const madeNow = ({ name, personId }: Actor) => ({ at: exactTimestamp(), by: name, byId: personId });
