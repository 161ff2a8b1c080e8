export { type AuditEvent, auditOf, exactTimestamp, recordAudit, timestamp } from './audit.ts';
export { type AskForIds, Counters } from './counters.ts';
export { databaseTrouble } from './databaseTrouble.ts';
export { DatabaseWatch } from './databaseWatch.ts';
export { DiskShares, type ShareLimits } from './diskShares.ts';
export { findOutcome, forgetOldKeys, isDuplicateKey, recordOutcome, takeKey } from './idempotency.ts';
export { MemoryBudget } from './memoryBudget.ts';
export { numberColumns } from './numberColumns.ts';
export { addRows, changeIn, changeRows, changeVersioned, deleteIn, deleteRows, findIn, findRows, insertIn } from './rows.ts';
export {
  changedRows,
  inOneTrip,
  inSnapshot,
  insertions,
  insertRows,
  inTransaction,
  isBrokenReference,
  Refused,
  repeated,
  rowsOf,
  type Statement,
  together,
} from './transaction.ts';
export { takeStructure, takeTurn } from './turn.ts';
export { updateAccounts } from './updateRows.ts';
