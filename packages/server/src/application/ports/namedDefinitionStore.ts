import type { Outcome, PlanDefinition, SetDefinition } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';

/** What somebody composed and named, kept whole. */
export interface NamedDefinition<Definition> {
  readonly id: number;
  readonly name: string;
  readonly definition: Definition;
  /** UTC. */
  readonly changedAt: string;
  readonly changedBy: string;
  readonly version: number;
}

/** Names are unique in a company; each change names the version that it was made from. */
export interface NamedDefinitionStore<Definition> {
  /** By name. */
  list(companyId: number): Promise<NamedDefinition<Definition>[]>;
  find(companyId: number, id: number): Promise<NamedDefinition<Definition> | null>;
  add(companyId: number, named: NameAndDefinition<Definition>, actor: Actor): Promise<Outcome<number, Failure>>;
  change(companyId: number, id: number, expected: number, named: NameAndDefinition<Definition>, actor: Actor): Promise<Outcome<null, Failure>>;
  /** `version`: refused where it has another by now; `null` for whatever it has. */
  delete(companyId: number, id: number, version: number | null, actor: Actor): Promise<Outcome<null, Failure>>;
}

export type NameAndDefinition<Definition> = Pick<NamedDefinition<Definition>, 'name' | 'definition'>;

export type ColumnPlanRecord = NamedDefinition<PlanDefinition>;
export type StatementSetRecord = NamedDefinition<SetDefinition>;
