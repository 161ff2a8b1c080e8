/** A value, or a failure that data caused. Bugs throw; see docs/architecture.md, 'Failures'. */
export type Outcome<Value, Failure> = { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly failure: Failure };

export function succeed<Value>(value: Value): { ok: true; value: Value } {
  return { ok: true, value };
}

export function fail<Failure>(failure: Failure): { ok: false; failure: Failure } {
  return { ok: false, failure };
}

/** For a `default` of a closed switch: a new member of the union stops the build here. */
export function unreachable(value: never): never {
  throw new Error(`unexpected value ${JSON.stringify(value)}`);
}

/** The value brought to another shape; a failure stays as it is. */
export function mapOutcome<From, To, Failure>(outcome: Outcome<From, Failure>, to: (value: From) => To): Outcome<To, Failure> {
  return outcome.ok ? { ok: true, value: to(outcome.value) } : outcome;
}
