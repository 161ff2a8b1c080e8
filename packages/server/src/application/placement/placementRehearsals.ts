import { fail, type Outcome, type PlacementDraft, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openClassified } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports, RehearsalKept, RehearsalSaved, RehearsalState } from '../ports/index.ts';

/** Of somebody who has no account here, as the installation itself, there are none. */
export async function listRehearsals(
  ports: Ports,
  { companyId, personId }: Access<'keep_placement'>,
  classification: number | undefined,
): Promise<Outcome<readonly RehearsalKept[], Failure>> {
  const opened = await openClassified(ports, companyId, classification);
  if (!opened.ok) return opened;
  return succeed(personId === null ? [] : await ports.rehearsals.list(companyId, opened.value.classificationId, personId));
}

/** `base`: the draft as it was kept when its changes began; what another window kept since is joined. */
export async function saveRehearsal(
  ports: Ports,
  { companyId, personId }: Access<'keep_placement'>,
  {
    name,
    draft,
    base,
    classification,
  }: {
    readonly name: string;
    readonly draft: PlacementDraft;
    readonly base?: PlacementDraft | undefined;
    readonly classification?: number | undefined;
  },
): Promise<Outcome<RehearsalSaved, Failure>> {
  if (personId === null) return fail({ code: 'not_found', thing: 'person', id: 0 });
  const opened = await openClassified(ports, companyId, classification);
  if (!opened.ok) return opened;
  return await ports.rehearsals.save({ companyId, classificationId: opened.value.classificationId, personId, name }, draft, base ?? null);
}

export interface RehearsalEdit {
  readonly version: number;
  readonly name?: string | undefined;
  readonly state?: RehearsalState | undefined;
  readonly word?: string | undefined;
  readonly draft?: PlacementDraft | undefined;
  readonly base?: PlacementDraft | undefined;
}

/** Its owner changes it; others can only return one that is offered, with a word. */
export async function changeRehearsal(
  { rehearsals }: Ports,
  { companyId, personId, actor }: Access<'keep_placement'>,
  id: number,
  { version, base, ...edit }: RehearsalEdit,
): Promise<Outcome<RehearsalSaved, Failure>> {
  const found = await rehearsals.find(companyId, id);
  const isOwn = found?.personId === personId;
  if (!found || (!isOwn && found.state !== 'offered')) return fail({ code: 'not_found', thing: 'rehearsal', id });
  const wanted = isOwn
    ? { ...found, ...given(edit) }
    : { ...found, state: 'returned' as const, word: edit.word ?? '', wordBy: actor.name, wordById: actor.personId };
  return await rehearsals.change(companyId, id, version, wanted, (isOwn && edit.draft ? base : undefined) ?? null);
}

/** Its owner discards it. */
export async function deleteRehearsal({ rehearsals }: Ports, { companyId, personId }: Access<'keep_placement'>, id: number): Promise<Outcome<null, Failure>> {
  const found = await rehearsals.find(companyId, id);
  if (!found || found.personId !== personId) return fail({ code: 'not_found', thing: 'rehearsal', id });
  return await rehearsals.delete(companyId, id);
}

/**
 * It was applied, by its owner or by somebody it was offered to; what another window of the owner added meanwhile is left of it. Without
 * an id it is the one that the person works at, which may be kept by now though whoever applied it had not heard of that.
 */
export async function endRehearsal(
  ports: Ports,
  { companyId, personId }: Access<'keep_placement'>,
  { rehearsalId, classification }: { readonly rehearsalId?: number | undefined; readonly classification?: number | undefined },
  applied: { readonly draft: PlacementDraft; readonly ids: ReadonlyMap<number, number> },
): Promise<void> {
  const { rehearsals } = ports;
  const found = rehearsalId === undefined ? await atWork() : await rehearsals.find(companyId, rehearsalId);
  if (found && (found.personId === personId || found.state === 'offered')) await rehearsals.end(companyId, found.id, applied);

  async function atWork(): Promise<RehearsalKept | undefined> {
    const opened = await openClassified(ports, companyId, classification);
    if (!opened.ok || personId === null) return undefined;
    const listed = await rehearsals.list(companyId, opened.value.classificationId, personId);
    return listed.find((one) => one.personId === personId && one.name === '');
  }
}

function given<Fields extends object>(fields: Fields): { [Key in keyof Fields]?: Exclude<Fields[Key], undefined> } {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as { [Key in keyof Fields]?: Exclude<Fields[Key], undefined> };
}
