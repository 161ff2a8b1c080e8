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

/** The proposed changes of a company's placement that somebody works at. */
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

type OfCompany<Fields = unknown> = PayloadAction<{ readonly companyId: number } & Fields>;
type State = Readonly<Record<number, WorkingRehearsal>>;

const longest = 200;
const change = (state: State, companyId: number, fields: Partial<WorkingRehearsal>): State => ({
  ...state,
  [companyId]: { ...(state[companyId] ?? noRehearsal), ...fields },
});

const rehearsalSlice = createSlice({
  name: 'rehearsal',
  initialState: {} as State,
  reducers: {
    /** One that was kept is gone on with. */
    rehearsalOpened: (state, { payload: { companyId, rehearsal } }: OfCompany<{ rehearsal: PlacementRehearsal | null }>) => {
      if (rehearsal === null) return change(state, companyId, {});
      const { draft, changedAt: _, ...kept } = rehearsal;
      return change(state, companyId, { ...noRehearsal, draft, kept });
    },
    draftAmended: (state, { payload: { companyId, draft, name } }: OfCompany<{ draft: PlacementDraft; name: string }>) => {
      const { past, draft: before } = state[companyId] ?? noRehearsal;
      return change(state, companyId, { draft, past: [...past, { name, draft: before }].slice(-longest), future: [], appliedTo: null });
    },
    draftUndone: (state, { payload: { companyId } }: OfCompany) => {
      const { past, future, draft } = state[companyId] ?? noRehearsal;
      const last = past.at(-1);
      return last ? change(state, companyId, { draft: last.draft, past: past.slice(0, -1), future: [...future, { name: last.name, draft }] }) : state;
    },
    draftRedone: (state, { payload: { companyId } }: OfCompany) => {
      const { past, future, draft } = state[companyId] ?? noRehearsal;
      const next = future.at(-1);
      return next ? change(state, companyId, { draft: next.draft, future: future.slice(0, -1), past: [...past, { name: next.name, draft }] }) : state;
    },
    rehearsalKept: (state, { payload: { companyId, rehearsal } }: OfCompany<{ rehearsal: PlacementRehearsal }>) => {
      const { draft: _, changedAt: __, ...kept } = rehearsal;
      return change(state, companyId, { kept });
    },
    rehearsalApplied: (state, { payload: { companyId, draft, structureVersion } }: OfCompany<{ draft: PlacementDraft; structureVersion: number }>) =>
      change(state, companyId, { ...noRehearsal, draft, appliedTo: structureVersion }),
    rehearsalCleared: (state, { payload: { companyId } }: OfCompany) => change(state, companyId, noRehearsal),
  },
});

export const { rehearsalOpened, draftAmended, draftUndone, draftRedone, rehearsalKept, rehearsalApplied, rehearsalCleared } = rehearsalSlice.actions;
export const rehearsalReducer = rehearsalSlice.reducer;
