import { fail, type Outcome, type PlanDefinition, succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import type { ColumnPlanRecord, Ports } from './ports/index.ts';

export function listPlans({ columnPlans }: Ports, { companyId }: Access): Promise<ColumnPlanRecord[]> {
  return columnPlans.list(companyId);
}

export async function findPlan({ columnPlans }: Pick<Ports, 'columnPlans'>, companyId: number, id: number): Promise<Outcome<PlanDefinition, Failure>> {
  const found = await columnPlans.find(companyId, id);
  return found ? succeed(found.definition) : fail({ code: 'not_found', thing: 'column_plan', id });
}

interface PlanFields {
  readonly name: string;
  readonly definition: PlanDefinition;
}

export async function addPlan(ports: Ports, access: Access<'preparer'>, fields: PlanFields): Promise<Outcome<ColumnPlanRecord, Failure>> {
  const added = await ports.columnPlans.add(access.companyId, fields, access.actor);
  return added.ok ? told(ports, access, added.value) : added;
}

export async function changePlan(
  ports: Ports,
  access: Access<'preparer'>,
  id: number,
  version: number,
  fields: PlanFields,
): Promise<Outcome<ColumnPlanRecord, Failure>> {
  const changed = await ports.columnPlans.change(access.companyId, id, version, fields, access.actor);
  return changed.ok ? told(ports, access, id) : changed;
}

/** One that a layout, or a draft of one, is run with where nothing else is asked for is not deleted. */
export async function deletePlan({ columnPlans, layouts }: Ports, { companyId, actor }: Access<'preparer'>, id: number): Promise<Outcome<null, Failure>> {
  const plan = await columnPlans.find(companyId, id);
  if (!plan) return fail({ code: 'not_found', thing: 'column_plan', id });
  const users: string[] = [];
  for (const record of await layouts.list(companyId)) {
    const stored = await layouts.find(companyId, record.id);
    if ([stored?.used, stored?.draft].some((own) => own?.columns?.plan === 'composed' && own.columns.planId === id)) users.push(record.name);
  }
  return users.length > 0 ? fail({ code: 'column_plan_in_use', name: plan.name, layouts: users }) : columnPlans.delete(companyId, id, actor);
}

async function told({ columnPlans }: Ports, { companyId }: Access, id: number): Promise<Outcome<ColumnPlanRecord, Failure>> {
  const found = await columnPlans.find(companyId, id);
  return found ? succeed(found) : fail({ code: 'not_found', thing: 'column_plan', id });
}
