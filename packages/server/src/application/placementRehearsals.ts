import { fail, type Outcome, type PlacementDraft, succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { openClassified } from './inClassification.ts';
import type { Ports, RehearsalKept, RehearsalState } from './ports/index.ts';

/** Of somebody who has no account here, as the installation itself, there are none. */
export async function listRehearsals(
  ports: Ports,
  { companyId, personId }: Access<'preparer'>,
  classification: number | undefined,
): Promise<Outcome<readonly RehearsalKept[], Failure>> {
  const opened = await openClassified(ports, companyId, classification);
  if (!opened.ok) return opened;
  return succeed(personId === null ? [] : await ports.rehearsals.list(companyId, opened.value.classificationId, personId));
}

export async function saveRehearsal(
  ports: Ports,
  { companyId, personId }: Access<'preparer'>,
  { name, draft, classification }: { readonly name: string; readonly draft: PlacementDraft; readonly classification?: number | undefined },
): Promise<Outcome<RehearsalKept, Failure>> {
  if (personId === null) return fail({ code: 'not_found', thing: 'person', id: 0 });
  const opened = await openClassified(ports, companyId, classification);
  return opened.ok ? await ports.rehearsals.save(companyId, opened.value.classificationId, personId, name, draft) : opened;
}

export interface RehearsalEdit {
  readonly version: number;
  readonly name?: string | undefined;
  readonly state?: RehearsalState | undefined;
  readonly word?: string | undefined;
  readonly draft?: PlacementDraft | undefined;
}

/** Its owner changes it; others can only return one that is offered, with a word. */
export async function changeRehearsal(
  { rehearsals }: Ports,
  { companyId, personId, actor }: Access<'preparer'>,
  id: number,
  { version, ...edit }: RehearsalEdit,
): Promise<Outcome<RehearsalKept, Failure>> {
  const found = await rehearsals.find(companyId, id);
  const isOwn = found?.personId === personId;
  if (!found || (!isOwn && found.state !== 'offered')) return fail({ code: 'not_found', thing: 'rehearsal', id });
  const wanted = isOwn ? { ...found, ...given(edit) } : { ...found, state: 'returned' as const, word: edit.word ?? '', wordBy: actor };
  const changed = await rehearsals.change(companyId, id, version, wanted);
  if (!changed.ok) return changed;
  const after = await rehearsals.find(companyId, id);
  return after ? succeed(after) : fail({ code: 'not_found', thing: 'rehearsal', id });
}

/** Its owner discards it. */
export async function deleteRehearsal({ rehearsals }: Ports, { companyId, personId }: Access<'preparer'>, id: number): Promise<Outcome<null, Failure>> {
  const found = await rehearsals.find(companyId, id);
  if (!found || found.personId !== personId) return fail({ code: 'not_found', thing: 'rehearsal', id });
  return await rehearsals.delete(companyId, id);
}

/** It was applied, by its owner or by somebody it was offered to. */
export async function endRehearsal({ rehearsals }: Ports, { companyId, personId }: Access<'preparer'>, id: number): Promise<void> {
  const found = await rehearsals.find(companyId, id);
  if (found && (found.personId === personId || found.state === 'offered')) await rehearsals.delete(companyId, id);
}

function given<Fields extends object>(fields: Fields): { [Key in keyof Fields]?: Exclude<Fields[Key], undefined> } {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as { [Key in keyof Fields]?: Exclude<Fields[Key], undefined> };
}
