import { fail, mapOutcome, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { ChosenColumn, Ports, SavedView, ViewFields } from '../ports/index.ts';

export interface ViewsOfPerson {
  readonly personId: number;
  readonly columns: readonly ChosenColumn[];
  readonly views: readonly SavedView[];
}

/** The most views that a person keeps and sees of others. */
const mostViews = 200;

export async function listChartViews(ports: Ports, access: Access): Promise<Outcome<ViewsOfPerson, Failure>> {
  const personId = personOf(access);
  return succeed({
    personId,
    columns: await ports.views.columns(access.companyId, personId),
    views: await ports.views.list(access.companyId, personId),
  });
}

export async function chooseChartColumns(ports: Ports, access: Access, columns: readonly ChosenColumn[]): Promise<Outcome<null, Failure>> {
  await ports.views.setColumns(access.companyId, personOf(access), columns);
  return succeed(null);
}

/** Names are told apart without regard to case, among all that one sees. */
export async function saveChartView(ports: Ports, access: Access, fields: ViewFields): Promise<Outcome<SavedView, Failure>> {
  const { companyId, actor } = access;
  const personId = personOf(access);
  const views = await ports.views.list(companyId, personId);
  const refused = checkSharing(access, fields.isShared) ?? checkViewName(views, fields.name, null);
  if (refused) return fail(refused);
  if (views.length >= mostViews) return fail({ code: 'too_many_views', limit: mostViews });
  const id = await ports.views.add(companyId, personId, fields, actor);
  return succeed({ ...fields, id, personId, version: 1 });
}

export async function changeChartView(
  ports: Ports,
  access: Access,
  viewId: number,
  { version, ...fields }: ViewFields & { readonly version: number },
): Promise<Outcome<SavedView, Failure>> {
  const views = await ports.views.list(access.companyId, personOf(access));
  const view = views.find(({ id }) => id === viewId);
  if (!view) return fail({ code: 'not_found', thing: 'view', id: viewId });
  const refused = checkSharing(access, fields.isShared || view.isShared) ?? checkViewName(views, fields.name, viewId);
  if (refused) return fail(refused);
  if (view.version !== version) return fail({ code: 'version_conflict', thing: 'view', id: viewId, current: null });
  const changed = await ports.views.change(access.companyId, view, fields, access.actor);
  return changed.ok ? succeed({ ...view, ...fields, version: version + 1 }) : changed;
}

export async function deleteChartView(ports: Ports, access: Access, viewId: number): Promise<Outcome<null, Failure>> {
  const view = (await ports.views.list(access.companyId, personOf(access))).find(({ id }) => id === viewId);
  if (!view) return fail({ code: 'not_found', thing: 'view', id: viewId });
  const refused = checkSharing(access, view.isShared);
  if (refused) return fail(refused);
  return mapOutcome(await ports.views.remove(access.companyId, view, access.actor), () => null);
}

/** What is for all is a preparer's. */
function checkSharing({ permissions }: Access, isShared: boolean): Failure | null {
  return isShared && !permissions.includes('keep_chart') ? { code: 'permission_needed', needs: 'keep_chart' } : null;
}

function checkViewName(views: readonly SavedView[], name: string, ownId: number | null): Failure | null {
  const holder = views.find((view) => view.id !== ownId && view.name.toLowerCase() === name.toLowerCase());
  return holder ? { code: 'view_name_taken', name: holder.name } : null;
}

function personOf({ personId }: Access): number {
  if (personId === null) throw new Error('the installation itself has no views');
  return personId;
}
