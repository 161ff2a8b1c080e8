/** What the ledger itself holds, and what is adjusted over it. */
export type Layer = 'ledger' | 'adjustment';
export const layers: readonly Layer[] = ['ledger', 'adjustment'];
/** A closing entry names the fiscal year it closes; all other entries are ordinary. */
export type Origin = 'ordinary' | 'closing';
