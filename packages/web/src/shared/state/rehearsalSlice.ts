import type { PlacementRehearsal, SavedRehearsal } from '@ivory-ladder/contract';
import { draftWithIds, emptyDraft, mergeDrafts, type PlacementDraft } from '@ivory-ladder/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** A rehearsal as it is kept, without its draft. */
export type KeptRehearsal = Omit<PlacementRehearsal, 'draft' | 'changedAt'>;

interface Step {
  readonly name: string;
  /** Before it was taken, or, of one that was taken back, after it. */
  readonly draft: PlacementDraft;
}

/** The proposed changes of a placement that somebody works at. */
export interface WorkingRehearsal {
  readonly draft: PlacementDraft;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  /** `null` while nothing of it is kept. */
  readonly kept: KeptRehearsal | null;
  /** Structure version that it was applied to; shown until the placement comes with it. */
  readonly appliedTo: number | null;
}

export const noRehearsal: WorkingRehearsal = { draft: emptyDraft, past: [], future: [], kept: null, appliedTo: null };

/** Which classification of which company is rehearsed. */
export function rehearsedKey(companyId: number, classificationId: number): string {
  return `${companyId} ${classificationId}`;
}

type OfOne<Fields = unknown> = PayloadAction<{ readonly rehearsed: string } & Fields>;
type State = Readonly<Record<string, WorkingRehearsal>>;

const longest = 200;
const change = (state: State, rehearsed: string, fields: Partial<WorkingRehearsal>): State => ({
  ...state,
  [rehearsed]: { ...(state[rehearsed] ?? noRehearsal), ...fields },
});

const rehearsalSlice = createSlice({
  name: 'rehearsal',
  initialState: {} as State,
  reducers: {
    /** One that was kept is gone on with. */
    rehearsalOpened: (state, { payload: { rehearsed, rehearsal } }: OfOne<{ rehearsal: PlacementRehearsal | null }>) => {
      if (rehearsal === null) return change(state, rehearsed, {});
      const { draft, changedAt: _, ...kept } = rehearsal;
      return change(state, rehearsed, { ...noRehearsal, draft, kept });
    },
    draftAmended: (state, { payload: { rehearsed, draft, name } }: OfOne<{ draft: PlacementDraft; name: string }>) => {
      const { past, draft: before } = state[rehearsed] ?? noRehearsal;
      return change(state, rehearsed, { draft, past: [...past, { name, draft: before }].slice(-longest), future: [], appliedTo: null });
    },
    /** Undo brings it back, as the one at work, also where it had a name. */
    rehearsalDiscarded: (state, { payload: { rehearsed } }: OfOne) => {
      const { past, draft, kept } = state[rehearsed] ?? noRehearsal;
      const discarded = { name: 'discard the rehearsal', draft };
      return change(state, rehearsed, { draft: emptyDraft, past: [...past, discarded].slice(-longest), future: [], kept: kept?.name === '' ? kept : null });
    },
    draftUndone: (state, { payload: { rehearsed } }: OfOne) => {
      const { past, future, draft } = state[rehearsed] ?? noRehearsal;
      const last = past.at(-1);
      return last ? change(state, rehearsed, { draft: last.draft, past: past.slice(0, -1), future: [...future, { name: last.name, draft }] }) : state;
    },
    draftRedone: (state, { payload: { rehearsed } }: OfOne) => {
      const { past, future, draft } = state[rehearsed] ?? noRehearsal;
      const next = future.at(-1);
      return next ? change(state, rehearsed, { draft: next.draft, future: future.slice(0, -1), past: [...past, { name: next.name, draft }] }) : state;
    },
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
      const { draft, past, future } = state[rehearsed] ?? noRehearsal;
      const known = new Map(Object.entries(ids).map(([from, to]) => [Number(from), to]));
      const withIds = (one: PlacementDraft): PlacementDraft => (known.size === 0 ? one : draftWithIds(one, known));
      const joined = (one: PlacementDraft): PlacementDraft => mergeDrafts(withIds(sent), withIds(one), rehearsal.draft).draft;
      const stepJoined = (step: Step): Step => ({ ...step, draft: joined(step.draft) });
      const { draft: theirs, changedAt: _, joined: __, overridden: ___, ids: ____, ...kept } = rehearsal as PlacementRehearsal & Partial<SavedRehearsal>;
      return change(state, rehearsed, {
        draft: draft === sent ? theirs : joined(draft),
        past: past.map(stepJoined),
        future: future.map(stepJoined),
        kept,
      });
    },
    rehearsalApplied: (state, { payload: { rehearsed, draft, structureVersion } }: OfOne<{ draft: PlacementDraft; structureVersion: number }>) =>
      change(state, rehearsed, { ...noRehearsal, draft, appliedTo: structureVersion }),
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
