export { FileRepository, forgetUnpostedFiles } from './fileStore.ts';
export { forgetAbandonedImports, JournalRepository } from './journalStore.ts';
export { LedgerRepository } from './ledgerStore.ts';
export { SeriesRepository } from './seriesStore.ts';
