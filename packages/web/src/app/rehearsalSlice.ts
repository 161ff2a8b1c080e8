import type { PlacementRehearsal } from '@ivory-ladder/contract';
import { emptyDraft, type PlacementDraft } from '@ivory-ladder/core';
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
    rehearsalApplied: (state, { payload: { rehearsed, draft, structureVersion } }: OfOne<{ draft: PlacementDraft; structureVersion: number }>) =>
      change(state, rehearsed, { ...noRehearsal, draft, appliedTo: structureVersion }),
    rehearsalCleared: (state, { payload: { rehearsed } }: OfOne) => change(state, rehearsed, noRehearsal),
  },
});

export const { rehearsalOpened, draftAmended, draftUndone, draftRedone, rehearsalKept, rehearsalApplied, rehearsalCleared } = rehearsalSlice.actions;
export const rehearsalReducer = rehearsalSlice.reducer;
