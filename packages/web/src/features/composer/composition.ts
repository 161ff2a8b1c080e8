import {
  type EditRefused,
  type ExpandedLayout,
  editLayout,
  expandLayout,
  type LayoutEdit,
  type LayoutFacts,
  type Outcome,
  type OwnLayout,
  succeed,
} from '@ivory-ladder/core';

interface Step {
  readonly name: string;
  /** Edits with the same one that follow each other are one step. */
  readonly merge?: string | undefined;
  readonly layout: OwnLayout;
}

/** A layout that is being composed, and the ways back and forth. */
export interface Composition {
  readonly layout: OwnLayout;
  /** What was before each edit, the latest last, with what the edit is called. */
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

const mostSteps = 200;

export function beginComposition(layout: OwnLayout): Composition {
  return { layout, past: [], future: [] };
}

/**
 * After edits that make one step, undone together. Edits of one field that follow each other, as while it is typed, have the same `merge` and are one step too.
 */
export function edited(
  composition: Composition,
  edits: readonly LayoutEdit[],
  name: string,
  facts: LayoutFacts,
  merge?: string,
): Outcome<Composition, EditRefused> {
  let layout = composition.layout;
  for (const edit of edits) {
    const outcome = editLayout(layout, edit, expansionOf(layout, facts));
    if (!outcome.ok) return outcome;
    layout = outcome.value;
  }
  if (layout === composition.layout) return succeed(composition);
  const last = composition.past.at(-1);
  const joins = merge !== undefined && last?.merge === merge && composition.future.length === 0;
  const past = joins ? composition.past : [...composition.past, { name, layout: composition.layout, merge }].slice(-mostSteps);
  return succeed({ layout, past, future: [] });
}

export function undone({ layout, past, future }: Composition): Composition {
  const step = past.at(-1);
  return step ? { layout: step.layout, past: past.slice(0, -1), future: [...future, { name: step.name, layout }] } : { layout, past, future };
}

export function redone({ layout, past, future }: Composition): Composition {
  const step = future.at(-1);
  return step ? { layout: step.layout, past: [...past, { name: step.name, layout }], future: future.slice(0, -1) } : { layout, past, future };
}

const known = new WeakMap<OwnLayout, { readonly facts: LayoutFacts; readonly expanded: ExpandedLayout }>();

/** What a layout consists of today, made once for it. */
export function expansionOf(layout: OwnLayout, facts: LayoutFacts): ExpandedLayout {
  const before = known.get(layout);
  if (before?.facts === facts) return before.expanded;
  const expanded = expandLayout(layout, facts);
  known.set(layout, { facts, expanded });
  return expanded;
}
