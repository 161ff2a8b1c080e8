import type { OperationName } from '@ivory-ladder/contract';
import type { Outcome } from '@ivory-ladder/core';
import type { Access } from '../application/access.ts';
import type { Failure } from '../application/failure.ts';
import type { Request as Asked, Identity, ReceivedFile, WrittenFile } from '../application/ports/index.ts';

/** A call of an operation as plain data, checked already, to be answered by another thread. */
export interface PlainCall {
  readonly name: OperationName;
  readonly access: Access | null;
  readonly identity: Identity | null;
  readonly query: unknown;
  readonly body: unknown;
  readonly file: Uint8Array;
  readonly received: ReceivedFile;
  readonly asked: Asked;
  /** Of the path, as they stand there. */
  readonly parameters: Readonly<Record<string, string>>;
}

/** A file, or the text of a JSON answer in UTF-8: written where it was made, since to write a long one takes long as well. */
export type PlainAnswer = { readonly file: WrittenFile } | { readonly json: Uint8Array };

/** Answers a call in another thread; `left` tells when nobody waits for it any more. */
export type AnswerElsewhere = (call: PlainCall, left: AbortSignal) => Promise<Outcome<PlainAnswer, Failure>>;

/**
 * Operations that hold a thread for longer than a request should wait for another: files that people hand in, and what follows from them; files
 * that are written whole. The rest answer in milliseconds, and would only lose by going elsewhere.
 */
export const answeredElsewhere: ReadonlySet<OperationName> = new Set<OperationName>([
  'checkTrialBalance',
  'postTrialBalance',
  'checkChartFile',
  'applyChartFile',
  'checkAccountChange',
  'checkMerge',
  'checkRenumbering',
  'rehearsePlacement',
  'checkSettings',
  'checkLayoutOptions',
  'readPlacementFile',
  'readRateFile',
  'readBudgetWorkbook',
  'checkFacetFile',
  'applyFacetFile',
  'lookAtJournal',
  'readJournal',
  'exportWorkbook',
  'exportTrialBalanceWorkbook',
  'exportBudget',
  'exportChart',
  'exportPlacement',
  'exportEntries',
  'exportHistory',
  'exportAccountLedger',
  'printSet',
]);
