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
  withSidesOfFirstLines,
} from '@ivory-ladder/core';
import { stepped, type UndoSteps } from '../../shared/state/undoSteps.ts';

/** A layout that is being composed, and the ways back and forth. */
export type Composition = UndoSteps<OwnLayout>;

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
  let layout = composition.now;
  for (const edit of edits) {
    const outcome = editLayout(layout, edit, expansionOf(layout, facts));
    if (!outcome.ok) return outcome;
    layout = withSidesOfFirstLines(outcome.value, expansionOf(layout, facts), () => expansionOf(outcome.value, facts));
  }
  return succeed(stepped(composition, layout, name, merge));
}

const expandedOf = new WeakMap<OwnLayout, { readonly facts: LayoutFacts; readonly expanded: ExpandedLayout }>();

/** What a layout consists of today, made once for it. */
export function expansionOf(layout: OwnLayout, facts: LayoutFacts): ExpandedLayout {
  const before = expandedOf.get(layout);
  if (before?.facts === facts) return before.expanded;
  const expanded = expandLayout(layout, facts);
  expandedOf.set(layout, { facts, expanded });
  return expanded;
}
