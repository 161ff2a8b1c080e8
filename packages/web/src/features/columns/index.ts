export { planWorksReducer } from './planWorksSlice.ts';
