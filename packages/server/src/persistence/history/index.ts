export { readHistory } from './readHistory.ts';
