import type { Outcome } from '@ivory-ladder/core';
import type { Failure } from '../application/failure.ts';

/** The value of a step of the demo that cannot be refused; a refusal is a bug of the demo. */
export function must<Value>(outcome: Outcome<Value, Failure>): Value {
  if (!outcome.ok) throw new Error(`the demo could not be loaded: ${JSON.stringify(outcome.failure, (_, value) => (typeof value === 'bigint' ? value.toString() : value))}`);
  return outcome.value;
}
