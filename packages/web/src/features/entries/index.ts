export { amountIn, amountText, pastedRows } from './entryRows.ts';
