import { fail, type Outcome, type PlanDefinition, succeed, type UsualColumns } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { ColumnPlanRecord, NameAndDefinition, Ports } from '../ports/index.ts';
import { setsWith } from '../statements/index.ts';

export function listPlans({ columnPlans }: Ports, { companyId }: Access): Promise<ColumnPlanRecord[]> {
  return columnPlans.list(companyId);
}

export async function addPlan(
  ports: Ports,
  access: Access<'keep_layouts'>,
  fields: NameAndDefinition<PlanDefinition>,
): Promise<Outcome<ColumnPlanRecord, Failure>> {
  const added = await ports.columnPlans.add(access.companyId, fields, access.actor);
  return added.ok ? told(ports, access, added.value) : added;
}

export async function changePlan(
  ports: Ports,
  access: Access<'keep_layouts'>,
  id: number,
  version: number,
  fields: NameAndDefinition<PlanDefinition>,
): Promise<Outcome<ColumnPlanRecord, Failure>> {
  const changed = await ports.columnPlans.change(access.companyId, id, version, fields, access.actor);
  return changed.ok ? told(ports, access, id) : changed;
}

/** One that a layout, a draft of one, or a statement of a set is run with where nothing else is asked for is not deleted. */
export async function deletePlan(
  { columnPlans, layouts, sets }: Ports,
  { companyId, actor }: Access<'keep_layouts'>,
  id: number,
  version: number | null,
): Promise<Outcome<null, Failure>> {
  const plan = await columnPlans.find(companyId, id);
  if (!plan) return fail({ code: 'not_found', thing: 'column_plan', id });
  const names = (columns: UsualColumns | null | undefined): boolean => columns?.plan === 'composed' && columns.planId === id;
  const users: string[] = [];
  for (const record of await layouts.list(companyId)) {
    const stored = await layouts.find(companyId, record.id);
    if ([stored?.used, stored?.draft].some((own) => names(own?.columns))) users.push(record.name);
  }
  const inSets = await setsWith({ sets }, companyId, ({ columns }) => names(columns));
  if (users.length + inSets.length > 0) return fail({ code: 'column_plan_in_use', name: plan.name, layouts: users, sets: inSets });
  return columnPlans.delete(companyId, id, version, actor);
}

async function told({ columnPlans }: Ports, { companyId }: Access, id: number): Promise<Outcome<ColumnPlanRecord, Failure>> {
  const found = await columnPlans.find(companyId, id);
  return found ? succeed(found) : fail({ code: 'not_found', thing: 'column_plan', id });
}
