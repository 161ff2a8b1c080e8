import { configureStore } from '@reduxjs/toolkit';
import { ivoryApi } from '../api/ivoryApi.ts';
import { planWorksReducer } from '../features/columns/planWorksSlice.ts';
import { noticeReducer } from './noticeSlice.ts';
import { rehearsalReducer } from './rehearsalSlice.ts';
import { undoReducer } from './undoSlice.ts';

export const store = configureStore({
  reducer: { [ivoryApi.reducerPath]: ivoryApi.reducer, notice: noticeReducer, rehearsal: rehearsalReducer, planWorks: planWorksReducer, undo: undoReducer },
  middleware: (getDefault) => getDefault({ serializableCheck: false, immutableCheck: false }).concat(ivoryApi.middleware),
});

export type AppState = ReturnType<typeof store.getState>;
export type AppDispatch = typeof store.dispatch;
