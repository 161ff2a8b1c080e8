import type { QueryRunner } from 'typeorm';
import type { Actor } from '../../application/ports/index.ts';
import type { Counters } from './counters.ts';
import { inOneTrip, insertions, type Statement } from './transaction.ts';

export interface AuditEvent {
  readonly thing:
    | 'company'
    | 'person'
    | 'account'
    | 'budget'
    | 'category'
    | 'classification'
    | 'coverage'
    | 'code_list'
    | 'document_series'
    | 'role'
    | 'pairing_rule'
    | 'period'
    | 'place'
    | 'rehearsal'
    | 'rate'
    | 'entry'
    | 'invitation'
    | 'journal_import'
    | 'column_plan'
    | 'layout'
    | 'layout_options'
    | 'statement_set'
    | 'trial_balance'
    | 'year'
    | 'view';
  readonly thingId: number;
  readonly action: 'added' | 'changed' | 'deleted' | 'posted' | 'noted' | 'filled';
  readonly before?: unknown;
  readonly after?: unknown;
}

const asText = (state: unknown): string | null =>
  state === undefined ? null : JSON.stringify(state, (_, value) => (typeof value === 'bigint' ? value.toString() : value));

/** Append-only, in the transaction of the change itself. */
export async function recordAudit(runner: QueryRunner, counters: Counters, companyId: number, actor: Actor, events: readonly AuditEvent[]): Promise<void> {
  await inOneTrip(runner, await auditOf(counters, companyId, actor, events));
}

/** The statements of `recordAudit`. */
export async function auditOf(counters: Counters, companyId: number, actor: Actor, events: readonly AuditEvent[]): Promise<Statement[]> {
  const at = exactTimestamp();
  const rows: unknown[][] = [];
  for (const { thing, thingId, action, before, after } of events)
    rows.push([companyId, await counters.next('audit'), thing, thingId, action, asText(before), asText(after), at, actor.name, actor.personId]);
  return insertions('audit_event (company_id, id, thing, thing_id, action, state_before, state_after, happened_at, actor, actor_id)', rows);
}

/** Now to the millisecond, as DATETIME(3) text in UTC. */
export function exactTimestamp(): string {
  return new Date().toISOString().replace('T', ' ').replace('Z', '');
}

/** Now, as DATETIME text in UTC. */
export function timestamp(): string {
  return new Date().toISOString().slice(0, 19).replace('T', ' ');
}
