import type { Outcome } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';

export interface DocumentSeries {
  readonly id: number;
  /** What its numbers begin with. */
  readonly code: string;
  readonly name: string;
  readonly nextNumber: number;
  readonly active: boolean;
  readonly documents: number;
  readonly version: number;
}

export interface SeriesStore {
  /** By code. */
  list(companyId: number): Promise<DocumentSeries[]>;
  find(companyId: number, id: number): Promise<Pick<DocumentSeries, 'id' | 'active'> | null>;
  /** Of entries that are in no series. */
  nextPlain(companyId: number): Promise<number>;
  add(companyId: number, series: Pick<DocumentSeries, 'code' | 'name' | 'nextNumber'>, actor: Actor): Promise<Outcome<null, Failure>>;
  change(
    companyId: number,
    id: number,
    version: number,
    change: { readonly name?: string | undefined; readonly active?: boolean | undefined },
    actor: Actor,
  ): Promise<Outcome<null, Failure>>;
  delete(companyId: number, id: number, actor: Actor): Promise<Outcome<null, Failure>>;
}
