import { z } from 'zod';

// The Content-Security-Policy allows no code made at run time, which Zod would otherwise use for speed.
z.config({ jitless: true });

export * from './attachments.ts';
export * from './budgets.ts';
export * from './chart.ts';
export * from './chartFile.ts';
export * from './chartViews.ts';
export * from './codeLists.ts';
export * from './columnPlan.ts';
export * from './company.ts';
export * from './entry.ts';
export * from './facetQuery.ts';
export * from './journalImport.ts';
export * from './layout.ts';
export * from './openapi.ts';
export { mayBeLong, type Operation } from './operation.ts';
export * from './operations.ts';
export * from './people.ts';
export * from './placement.ts';
export * from './placementDraft.ts';
export * from './problem.ts';
export * from './rates.ts';
export * from './series.ts';
export * from './statement.ts';
export * from './statementDocument.ts';
export * from './statementEffect.ts';
export * from './statementSet.ts';
export * from './trialBalanceFile.ts';
export * from './vectors.ts';
