import type { ExchangeRate, Outcome } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';

/** `rate`: `null` takes one away. `before`: what was seen there. */
export type RateChange = Omit<ExchangeRate, 'rate'> & { readonly rate: string | null; readonly before: string | null };

export interface RateStore {
  /** Latest first. */
  list(companyId: number): Promise<ExchangeRate[]>;
  /** Refused whole where another rate stands by now than was seen. */
  set(companyId: number, changes: readonly RateChange[], actor: Actor): Promise<Outcome<null, Failure>>;
}
