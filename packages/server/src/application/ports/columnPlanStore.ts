import type { Outcome, PlanDefinition } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';

export interface ColumnPlanRecord {
  readonly id: number;
  readonly name: string;
  readonly definition: PlanDefinition;
  /** UTC. */
  readonly changedAt: string;
  readonly changedBy: string;
  readonly version: number;
}

export interface ColumnPlanStore {
  /** By name. */
  list(companyId: number): Promise<ColumnPlanRecord[]>;
  find(companyId: number, id: number): Promise<ColumnPlanRecord | null>;
  add(companyId: number, plan: { readonly name: string; readonly definition: PlanDefinition }, actor: string): Promise<Outcome<number, Failure>>;
  change(
    companyId: number,
    id: number,
    expected: number,
    plan: { readonly name: string; readonly definition: PlanDefinition },
    actor: string,
  ): Promise<Outcome<null, Failure>>;
  delete(companyId: number, id: number, actor: string): Promise<Outcome<null, Failure>>;
}
