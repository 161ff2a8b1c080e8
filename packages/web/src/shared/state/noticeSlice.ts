import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What was just done or refused, said once at the foot of the screen and read out. */
interface Notice {
  readonly text: string;
  readonly tone: 'done' | 'refused';
  /** The applied change of the placement that can be taken back from here. */
  readonly undoes?: number;
  /** The discarded rehearsal, by its key, that can be brought back from here. */
  readonly restores?: string;
  /** Counts up, so that the same words twice are two notices. */
  readonly count: number;
}

const noticeSlice = createSlice({
  name: 'notice',
  initialState: { current: null as Notice | null, count: 0 },
  reducers: {
    noticeGiven(state, { payload }: PayloadAction<Omit<Notice, 'count'>>) {
      state.count += 1;
      state.current = { ...payload, count: state.count };
    },
    noticeDismissed(state) {
      state.current = null;
    },
  },
});

export const { noticeGiven, noticeDismissed } = noticeSlice.actions;
export const noticeReducer = noticeSlice.reducer;
