interface Step<State> {
  readonly name: string;
  /** Steps with the same one that follow each other are one. */
  readonly merge?: string | undefined;
  readonly state: State;
}

/** What is worked at, and the ways back and forth. */
export interface UndoSteps<State> {
  readonly now: State;
  /** What was before each step, the latest last, with what the step is called. */
  readonly past: readonly Step<State>[];
  readonly future: readonly Step<State>[];
}

const mostSteps = 200;
/** Each is worked out anew. */
const mostAside = 40;

export function beginSteps<State>(now: State): UndoSteps<State> {
  return { now, past: [], future: [] };
}

/** Steps with the same `merge` that follow each other, as while a field is typed, are one. The same steps where nothing is another. */
export function stepped<State>(steps: UndoSteps<State>, now: State, name: string, merge?: string): UndoSteps<State> {
  if (now === steps.now) return steps;
  const joins = merge !== undefined && steps.past.at(-1)?.merge === merge && steps.future.length === 0;
  return { now, past: joins ? steps.past : [...steps.past, { name, merge, state: steps.now }].slice(-mostSteps), future: [] };
}

/** Every state as `change` has it: what is now, and what is gone back and forth to. */
export function steppedAside<State>({ now, past, future }: UndoSteps<State>, change: (state: State) => State): UndoSteps<State> {
  const changed = (steps: readonly Step<State>[]): Step<State>[] => steps.slice(-mostAside).map((step) => ({ ...step, state: change(step.state) }));
  return { now: change(now), past: changed(past), future: changed(future) };
}

export function steppedBack<State>(steps: UndoSteps<State>): UndoSteps<State> {
  const { now, past, future } = steps;
  const step = past.at(-1);
  return step ? { now: step.state, past: past.slice(0, -1), future: [...future, { name: step.name, state: now }] } : steps;
}

export function steppedForth<State>(steps: UndoSteps<State>): UndoSteps<State> {
  const { now, past, future } = steps;
  const step = future.at(-1);
  return step ? { now: step.state, past: [...past, { name: step.name, state: now }], future: future.slice(0, -1) } : steps;
}
