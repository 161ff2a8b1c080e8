export { withLastChange } from './lastChange.ts';
export { viewHistory } from './viewHistory.ts';
