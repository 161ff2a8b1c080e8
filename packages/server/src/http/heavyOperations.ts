import type { Operation, OperationName } from '@ivory-ladder/contract';
import type { Request } from 'express';
import { answeredElsewhere } from './plainCall.ts';

/** More than most have, where many rows may stand in the body. */
const largeBody = 1 << 20;
/** Beside files and what is answered elsewhere: what runs several statements, and what changes much at once. */
const ofMuch: ReadonlySet<OperationName> = new Set<OperationName>([
  'mergeAccounts',
  'renumberAccounts',
  'applyPlacement',
  'checkFacetFill',
  'applyFacetFill',
  'postJournalImport',
  'runSet',
]);

/** What one person may ask for a few times at once. */
export function isHeavy(name: OperationName, operation: Operation): (request: Request) => boolean {
  const isAlways = answeredElsewhere.has(name) || operation.takesFile === true || operation.takesStream === true || ofMuch.has(name);
  return (request) => isAlways || (operation.takesMany === true && !(Number(request.headers['content-length']) <= largeBody));
}
