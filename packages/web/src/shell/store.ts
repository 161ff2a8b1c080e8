import { configureStore } from '@reduxjs/toolkit';
import { planWorksReducer } from '../features/columns/index.ts';
import { ivoryApi } from '../shared/api/ivoryApi.ts';
import { sharedReducers } from '../shared/state/appState.ts';

export const store = configureStore({
  reducer: { ...sharedReducers, planWorks: planWorksReducer },
  middleware: (getDefault) => getDefault({ serializableCheck: false, immutableCheck: false }).concat(ivoryApi.middleware),
});
