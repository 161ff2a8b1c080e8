export { viewHistory } from './viewHistory.ts';
