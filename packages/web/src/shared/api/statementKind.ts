/** A generated statement, or the composed layout with the id. */
export type StatementKind = 'balance-sheet' | 'income-statement' | 'cash-flow' | 'changes-in-equity' | 'trial-balance' | `layout-${number}`;
