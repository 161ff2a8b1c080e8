import type { PlacementRehearsal, SavedRehearsal } from '@ivory-ladder/contract';
import { draftWithIds, emptyDraft, mergeDrafts, type PlacementDraft } from '@ivory-ladder/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { beginSteps, stepped, steppedAside, steppedBack, steppedForth, type UndoSteps } from './undoSteps.ts';

/** A rehearsal as it is kept, without its draft. */
export type KeptRehearsal = Omit<PlacementRehearsal, 'draft' | 'changedAt'>;

/** The proposed changes of a placement that somebody works at. */
export interface WorkingRehearsal {
  readonly steps: UndoSteps<PlacementDraft>;
  /** `null` while nothing of it is kept. */
  readonly kept: KeptRehearsal | null;
  /** Structure version that it was applied to; shown until the placement comes with it. */
  readonly appliedTo: number | null;
}

export const noRehearsal: WorkingRehearsal = { steps: beginSteps(emptyDraft), kept: null, appliedTo: null };

/** Which classification of which company is rehearsed. */
export function rehearsedKey(companyId: number, classificationId: number): string {
  return `${companyId} ${classificationId}`;
}

type OfOne<Fields = unknown> = PayloadAction<{ readonly rehearsed: string } & Fields>;
type State = Readonly<Record<string, WorkingRehearsal>>;

const change = (state: State, rehearsed: string, fields: Partial<WorkingRehearsal>): State => ({
  ...state,
  [rehearsed]: { ...(state[rehearsed] ?? noRehearsal), ...fields },
});

const stepsOf = (state: State, rehearsed: string): UndoSteps<PlacementDraft> => (state[rehearsed] ?? noRehearsal).steps;

const walked = (state: State, rehearsed: string, step: (steps: UndoSteps<PlacementDraft>) => UndoSteps<PlacementDraft>): State => {
  const before = stepsOf(state, rehearsed);
  const steps = step(before);
  return steps === before ? state : change(state, rehearsed, { steps });
};

const rehearsalSlice = createSlice({
  name: 'rehearsal',
  initialState: {} as State,
  reducers: {
    /** One that was kept is gone on with. */
    rehearsalOpened: (state, { payload: { rehearsed, rehearsal } }: OfOne<{ rehearsal: PlacementRehearsal | null }>) => {
      if (rehearsal === null) return change(state, rehearsed, {});
      const { draft, changedAt: _, ...kept } = rehearsal;
      return change(state, rehearsed, { ...noRehearsal, steps: beginSteps(draft), kept });
    },
    draftAmended: (state, { payload: { rehearsed, draft, name } }: OfOne<{ draft: PlacementDraft; name: string }>) =>
      change(state, rehearsed, { steps: stepped(stepsOf(state, rehearsed), draft, name), appliedTo: null }),
    /** Undo brings it back, as the one at work, also where it had a name. */
    rehearsalDiscarded: (state, { payload: { rehearsed } }: OfOne) => {
      const { steps, kept } = state[rehearsed] ?? noRehearsal;
      return change(state, rehearsed, { steps: stepped(steps, emptyDraft, 'discard the rehearsal'), kept: kept?.name === '' ? kept : null });
    },
    draftUndone: (state, { payload: { rehearsed } }: OfOne) => walked(state, rehearsed, steppedBack),
    draftRedone: (state, { payload: { rehearsed } }: OfOne) => walked(state, rehearsed, steppedForth),
    rehearsalKept: (state, { payload: { rehearsed, rehearsal } }: OfOne<{ rehearsal: PlacementRehearsal }>) => {
      const { draft: _, changedAt: __, ...kept } = rehearsal;
      return change(state, rehearsed, { kept });
    },
    /**
     * What another window kept meanwhile is joined, also to what undo and redo go back to; `sent` is what this window and the server last had
     * in common, `ids` are those that new categories of this window got.
     */
    rehearsalJoined: (
      state,
      { payload: { rehearsed, sent, rehearsal, ids } }: OfOne<{ sent: PlacementDraft; rehearsal: PlacementRehearsal; ids: Readonly<Record<string, number>> }>,
    ) => {
      const idOf = new Map(Object.entries(ids).map(([from, to]) => [Number(from), to]));
      const withIds = (one: PlacementDraft): PlacementDraft => (idOf.size === 0 ? one : draftWithIds(one, idOf));
      const { draft: theirs, changedAt: _, joined: __, overridden: ___, ids: ____, ...kept } = rehearsal as PlacementRehearsal & Partial<SavedRehearsal>;
      const joined = (one: PlacementDraft): PlacementDraft => (one === sent ? theirs : mergeDrafts(withIds(sent), withIds(one), theirs).draft);
      return change(state, rehearsed, { steps: steppedAside(stepsOf(state, rehearsed), joined), kept });
    },
    rehearsalApplied: (state, { payload: { rehearsed, draft, structureVersion } }: OfOne<{ draft: PlacementDraft; structureVersion: number }>) =>
      change(state, rehearsed, { ...noRehearsal, steps: beginSteps(draft), appliedTo: structureVersion }),
    rehearsalCleared: (state, { payload: { rehearsed } }: OfOne) => change(state, rehearsed, noRehearsal),
  },
});

export const {
  rehearsalOpened,
  draftAmended,
  rehearsalDiscarded,
  draftUndone,
  draftRedone,
  rehearsalKept,
  rehearsalJoined,
  rehearsalApplied,
  rehearsalCleared,
} = rehearsalSlice.actions;
export const rehearsalReducer = rehearsalSlice.reducer;
