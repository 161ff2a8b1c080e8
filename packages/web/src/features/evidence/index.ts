export { AccountLines } from './AccountLines.tsx';
export { type CellAddress, readCell, writeCell } from './cellAddress.ts';
export { EntryView } from './EntryView.tsx';
