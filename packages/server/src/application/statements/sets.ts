import { fail, findCurrency, type LineComment, type Outcome, type SetDefinition, type SetPart, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { CommentRecord, NameAndDefinition, Ports, StatementSetRecord } from '../ports/index.ts';

export function listSets({ sets }: Ports, { companyId }: Access): Promise<StatementSetRecord[]> {
  return sets.list(companyId);
}

export async function findSet({ sets }: Pick<Ports, 'sets'>, { companyId }: Access, id: number): Promise<Outcome<StatementSetRecord, Failure>> {
  const found = await sets.find(companyId, id);
  return found ? succeed(found) : fail({ code: 'not_found', thing: 'statement_set', id });
}

export async function addSet(
  ports: Ports,
  access: Access<'keep_layouts'>,
  fields: NameAndDefinition<SetDefinition>,
): Promise<Outcome<StatementSetRecord, Failure>> {
  const refused = await faultIn(ports, access, fields.definition);
  if (refused) return fail(refused);
  const added = await ports.sets.add(access.companyId, fields, access.actor);
  return added.ok ? findSet(ports, access, added.value) : added;
}

export async function changeSet(
  ports: Ports,
  access: Access<'keep_layouts'>,
  id: number,
  version: number,
  fields: NameAndDefinition<SetDefinition>,
): Promise<Outcome<StatementSetRecord, Failure>> {
  const refused = await faultIn(ports, access, fields.definition);
  if (refused) return fail(refused);
  const changed = await ports.sets.change(access.companyId, id, version, fields, access.actor);
  return changed.ok ? findSet(ports, access, id) : changed;
}

export function deleteSet({ sets }: Ports, { companyId, actor }: Access<'keep_layouts'>, id: number, version: number | null): Promise<Outcome<null, Failure>> {
  return sets.delete(companyId, id, version, actor);
}

/** On any line: a comment outlives a change of the statement, and is shown again where its line is. */
export function setComment(
  { comments }: Ports,
  { companyId, actor }: Access<'keep_layouts'>,
  setId: number,
  comment: LineComment & { readonly day: string },
  version: number,
): Promise<Outcome<CommentRecord | null, Failure>> {
  return comments.set(companyId, setId, comment, version, actor);
}

/** Names of the sets that have such a statement. */
export async function setsWith({ sets }: Pick<Ports, 'sets'>, companyId: number, isWanted: (part: SetPart) => boolean): Promise<string[]> {
  return (await sets.list(companyId)).flatMap(({ name, definition }) => (definition.parts.some(isWanted) ? [name] : []));
}

/** A set names layouts and column plans that are there, and each of its statements has a key of its own. */
async function faultIn({ layouts, columnPlans }: Ports, { companyId }: Access, { parts, presentation }: SetDefinition): Promise<Failure | null> {
  if (presentation && !findCurrency(presentation.currency)) return { code: 'currency_unknown', currency: presentation.currency };
  const seen = new Set<string>();
  for (const { key, statement, columns } of parts) {
    if (seen.has(key)) return { code: 'set_part_twice', part: key };
    seen.add(key);
    if (typeof statement === 'number' && (await layouts.record(companyId, statement)) === null) return { code: 'not_found', thing: 'layout', id: statement };
    if (columns?.plan === 'composed' && (await columnPlans.find(companyId, columns.planId)) === null)
      return { code: 'not_found', thing: 'column_plan', id: columns.planId };
  }
  return null;
}
