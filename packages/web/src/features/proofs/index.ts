export { proofStateMark, proofText, reasonText } from './proofText.ts';
