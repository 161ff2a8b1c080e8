import type { StateFromReducersMapObject, ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { ivoryApi } from '../api/ivoryApi.ts';
import { noticeReducer } from './noticeSlice.ts';
import { rehearsalReducer } from './rehearsalSlice.ts';
import { undoReducer } from './undoSlice.ts';

/** What several features read and write; a feature adds its own beside it in the store. */
export const sharedReducers = { [ivoryApi.reducerPath]: ivoryApi.reducer, notice: noticeReducer, rehearsal: rehearsalReducer, undo: undoReducer };

export type AppState = StateFromReducersMapObject<typeof sharedReducers>;
export type AppDispatch = ThunkDispatch<AppState, undefined, UnknownAction>;
