import { configureStore } from '@reduxjs/toolkit';
import { setAutoFreeze } from 'immer';
import { planWorksReducer } from '../features/columns/index.ts';
import { ivoryApi } from '../shared/api/ivoryApi.ts';
import { sharedReducers } from '../shared/state/appState.ts';

// To freeze an answer walks through all of it: forty milliseconds of a large chart, whenever it is read. Tests and development do.
if (import.meta.env.PROD) setAutoFreeze(false);

export const store = configureStore({
  reducer: { ...sharedReducers, planWorks: planWorksReducer },
  middleware: (getDefault) => getDefault({ serializableCheck: false, immutableCheck: false }).concat(ivoryApi.middleware),
});
