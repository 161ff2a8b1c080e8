import type { PlanDefinition } from '@ivory-ladder/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { UndoSteps } from '../../shared/state/undoSteps.ts';

/** A plan that is worked at, kept or not, with the ways back and forth. */
export interface PlanWork {
  readonly draft: UndoSteps<PlanDefinition>;
  readonly name: string;
}

/** By company, then by the plan that each began with; they wait while other plans and other screens are looked at. */
type PlanWorks = Readonly<Record<number, Readonly<Record<string, PlanWork>>>>;

const slice = createSlice({
  name: 'planWorks',
  initialState: {} as PlanWorks,
  reducers: {
    planWorkedAt: (works, { payload: { companyId, key, work } }: PayloadAction<{ companyId: number; key: string; work: PlanWork }>): PlanWorks => ({
      ...(works as PlanWorks),
      [companyId]: { ...(works as PlanWorks)[companyId], [key]: work },
    }),
    planWorkEnded: (works, { payload: { companyId, key } }: PayloadAction<{ companyId: number; key: string }>): PlanWorks => {
      const { [key]: _, ...others } = (works as PlanWorks)[companyId] ?? {};
      return { ...(works as PlanWorks), [companyId]: others };
    },
  },
});

export interface PlanWorksState {
  readonly planWorks: PlanWorks;
}

export const { planWorkedAt, planWorkEnded } = slice.actions;
export const planWorksReducer = slice.reducer;
